import { matchPath } from 'react-router';
import { PLACE_SCREENS } from './placeScreens.ts';
import { STAGE_SCREENS } from './stageScreens.ts';
import { PREFIX } from '../sync/address/place.ts';
import type { ScreenHelp } from './screenHelp.ts';

export const SCREENS: readonly ScreenHelp[] = [...STAGE_SCREENS, ...PLACE_SCREENS];

export const KEYS_EVERYWHERE: ScreenHelp['keys'] = [
  ['/', 'Find a part, a grade, a record or a page; or convert a unit'],
  ['Ctrl K', 'The same, also while typing'],
  ['?', 'This help'],
  ['Tab', 'To the next control; the first one skips the navigation'],
  ['Esc', 'Closes the top panel'],
];

/** The first of the screens that the address fits. */
export function screenAt(pathname: string): ScreenHelp | undefined {
  const own = pathname.slice(PREFIX.length) || '/';
  return SCREENS.find(({ path }) => matchPath(path, own));
}
