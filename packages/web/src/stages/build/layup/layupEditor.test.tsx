import { lampArm } from '@anvilstone/core/education/sample';
import { tows } from '@anvilstone/core/materials/tables';
import { INFILL_PATTERNS, type Layup, type WallsAndInfill } from '@anvilstone/schema';
import { drawn, drawnFor, LEAKS, textOf, wordsOf } from '../../../testing/testPage.tsx';
import { FilledSectionPicture } from '../FilledSectionPicture.tsx';
import { TiltControl } from '../TiltControl.tsx';
import { LayupTab } from './LayupTab.tsx';
import { FIRST_LOOP, LoopList } from './LoopList.tsx';
import { PlyList } from './PlyList.tsx';
import { readLayup } from './readLayup.ts';

const ignore = () => undefined;
const layup: Layup = {
  format: 'anvilstone-layup/1',
  name: 'Cross',
  plies: [
    { material: { towId: 'carbon-polyamide' }, angleDeg: 0, count: 2 },
    { material: { gradeId: 'ne-petg' }, angleDeg: 45, thicknessMm: 0.3 },
    { material: { towId: 'carbon-polyamide' }, angleDeg: 90 },
  ],
  laidAtC: 55,
  serviceC: 23,
  loads: [{ name: 'Pulled', nxNPerMm: 50 }],
};

describe('plies', () => {
  const root = drawnFor(lampArm, <PlyList layup={layup} gradeId="ne-petg" onChange={ignore} />);
  const rows = root.querySelectorAll('li');
  test('lie as they are laid: the first is the lowest', () =>
    expect(rows.map((row) => row.querySelector('button')!.getAttribute('aria-label'))).toEqual([
      'Move ply 3',
      'Move ply 2',
      'Move ply 1',
    ]));
  test('each is of a strand or of the print, at its angle', () => {
    const angles = rows.map((row) => row.querySelectorAll('input')[0]!.getAttribute('value'));
    expect(angles).toEqual(['90', '45', '0']);
    expect(textOf(rows[1]!)).toContain('Print of Nine Elms PETG Trade');
    expect(rows[0]!.querySelectorAll('option').length).toBe(tows.length + 1);
  });
  test('the last one that is left cannot be removed', () => {
    const one = drawnFor(
      lampArm,
      <PlyList layup={{ ...layup, plies: layup.plies.slice(0, 1) }} gradeId="ne-petg" onChange={ignore} />,
    );
    const remove = (of: typeof root) =>
      of.querySelectorAll('button[aria-label^="Remove ply"]').map((button) => button.hasAttribute('disabled'));
    expect(remove(one)).toEqual([true]);
    expect(remove(root)).toEqual([false, false, false]);
  });
});

test('loops say what they are for until there is one, and each what it holds', () => {
  const list = (loops?: Layup['loops']) =>
    textOf(drawn(<LoopList layup={{ ...layup, ...(loops ? { loops } : {}) }} onChange={ignore} />));
  expect(list()).toContain('A lug on a pin');
  expect(list([FIRST_LOOP])).toContain('Loop 1: what it holds');
});

describe('a layup in a file', () => {
  test('is read as it was written', () => expect(readLayup(JSON.stringify(layup))).toEqual({ layup }));
  test.each([
    ['no JSON', '{'],
    ['something else', '{"format":"other/1"}'],
    ['a ply without an angle', JSON.stringify({ ...layup, plies: [{ material: { towId: 'carbon-polyamide' } }] })],
    ['no plies', JSON.stringify({ ...layup, plies: [] })],
  ])('%s is refused with what is wrong', (_what, text) => {
    const read = readLayup(text);
    expect('problem' in read && read.problem.length > 5).toBe(true);
  });
});

test('the tab shows a first layup to look at until something is changed, and nothing to take away', () => {
  const root = drawnFor(lampArm, <LayupTab gradeId="ne-petg" />, { at: '/parts/p1/build?show=layup' });
  expect(textOf(root)).toContain('Plies, from below upwards');
  expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
});

describe('tilt', () => {
  const control = (degrees: number) =>
    drawn(<TiltControl part={lampArm.part} tilt={{ towards: 'ZX', degrees }} onChange={ignore} />);
  test('is a slider of whole degrees, told in words', () => {
    const slider = control(45).querySelector('input')!;
    expect([slider.getAttribute('min'), slider.getAttribute('max'), slider.getAttribute('step')]).toEqual([
      '0',
      '90',
      '1',
    ]);
    expect(slider.getAttribute('aria-valuetext')).toBe('45 degrees');
    expect(textOf(control(45).querySelector('output')!)).toBe('45°');
  });
  test.each([0, 1, 45, 89, 90])('at %i° the bar stands on the bed and within the picture', (degrees) => {
    const [, corners] = control(degrees).querySelectorAll('polygon');
    const points = corners!
      .getAttribute('points')!
      .split(' ')
      .map((pair) => pair.split(',').map(Number) as [number, number]);
    const heights = points.map(([, y]) => y);
    expect(Math.max(...heights)).toBeCloseTo(104, 6);
    expect(Math.min(...heights)).toBeGreaterThanOrEqual(0);
  });
});

describe('the section with its filling', () => {
  const filled: WallsAndInfill = {
    lineWidthMm: 0.45,
    layerHeightMm: 0.2,
    walls: 3,
    topBottomLayers: 4,
    pattern: INFILL_PATTERNS[0],
    infillShare: 0.3,
  };
  test('is drawn of a part that is filled, with the share of its core', () => {
    const root = drawnFor({ ...lampArm, filled }, <FilledSectionPicture brief={{ ...lampArm, filled }} />);
    expect(textOf(root)).toMatch(/infill, \d+(\.\d+)? % of the section/);
  });
  test('of a solid part there is none', () =>
    expect(drawn(<FilledSectionPicture brief={lampArm} />).innerHTML).toBe(''));
});
