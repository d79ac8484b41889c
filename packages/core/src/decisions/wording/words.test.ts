import { guardBumper, lampArm, ratchetPawl, sampleBriefs, scraperLever } from '../../education/sample/index.ts';
import { askSentences, loadSentence } from './briefWords.ts';
import { duration } from '../../foundations/units/duration.ts';

test.each([
  [17532, '2 years'],
  [8766, '1 year'],
  [240, '10 days'],
  [1, '1 h'],
  [0.5, '30 min'],
  [1 / 360, '10 s'],
])('%p h is %s', (hours, words) => expect(duration(hours)).toBe(words));

test('a load of each kind in a sentence, in either unit system', () => {
  expect(loadSentence(lampArm.loadCases[0]!, 'metric')).toBe(
    'Lamp weight, summer sun: 9 N for 2 years at 45 °C, safety factor 2, at most 2.5 mm at once, at most 5 mm at the end',
  );
  expect(loadSentence(guardBumper.loadCases[0]!, 'metric')).toMatch(/26 kg falling 50 mm at once at −12 °C/);
  expect(loadSentence(scraperLever.loadCases[0]!, 'inchPound')).toMatch(
    /bent by 0\.236 in held for 183 days at 53\.6 °F.*still holding 0\.787 lbf/,
  );
  expect(loadSentence(ratchetPawl.loadCases[0]!, 'metric')).toMatch(/320 N 60,000 times, stress ratio R = 0/);
  expect(loadSentence(ratchetPawl.loadCases[1]!, 'metric')).toMatch(/a knock of 0.8 J at once.*without breaking/);
  const fast = { ...ratchetPawl.loadCases[1]!, strikeSpeedMPerS: 12 };
  expect(loadSentence(fast, 'metric')).toMatch(/a knock of 0.8 J with 12 m\/s at once/);
});

test('every ask of the demo is said, and nothing of the code shows through', () => {
  for (const brief of sampleBriefs) {
    const lines = [...brief.loadCases.map((load) => loadSentence(load, 'metric')), ...askSentences(brief, 'metric')];
    for (const line of lines) expect(line).not.toMatch(/undefined|NaN|\[object|[a-z][A-Z]|no size/);
  }
  expect(askSentences(ratchetPawl, 'metric')).toEqual(
    expect.arrayContaining([
      'Must warn before failure',
      'Slides under 2.5 MPa at 0.008 m/s',
      'A failure could hurt someone',
    ]),
  );
});
