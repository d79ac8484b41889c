import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const css = readFileSync(join(import.meta.dirname, '../styles.css'), 'utf8');
const tokensOf = (selector: string) => {
  const block = css.slice(css.indexOf(`\n${selector} {`)).split('}')[0]!;
  return new Map([...block.matchAll(/--([\w-]+): (#[0-9a-f]{6})/g)].map(([, name, colour]) => [name!, colour!]));
};
const THEMES = { light: tokensOf(':root'), dark: tokensOf("[data-theme='dark']") };

/** Relative luminance, WCAG 2.2. */
function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const part = parseInt(colour.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
const contrast = (a: string, b: string) => {
  const [bright, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (bright! + 0.05) / (dark! + 0.05);
};

test('black on white is 21 to 1, a grey of 118 on white 4.54 to 1', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 6);
  expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
});

describe.each(Object.entries(THEMES))('%s', (_theme, tokens) => {
  const GROUNDS = ['ground', 'surface', 'sunken'];
  const PAIRS = [
    ...['ink', 'quiet', 'ember', 'pass', 'fail', 'unknown'].flatMap((text) => GROUNDS.map((ground) => [text, ground])),
    // A status stands on its own ground, and plain text on any of them.
    ...['ember', 'pass', 'fail', 'unknown'].flatMap((one) => [
      [one, `${one}-ground`],
      ['ink', `${one}-ground`],
    ]),
  ] as [string, string][];
  test.each(PAIRS)('%s can be read on %s', (text, ground) =>
    expect(contrast(tokens.get(text)!, tokens.get(ground)!)).toBeGreaterThanOrEqual(4.5),
  );
  test.each(GROUNDS)('focus stands out from %s', (ground) =>
    expect(contrast(tokens.get('focus')!, tokens.get(ground)!)).toBeGreaterThanOrEqual(3),
  );
});
