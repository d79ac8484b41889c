import { failureModes, fleetOf } from '@anvilstone/core/evidence';
import { answered, drawn, drawnFor, LEAKS, textOf, wordsOf } from '../../testing/testPage.tsx';
import { NOW, sampleFindings, sampleInstallations, sampleParts } from '../../testing/testAnswers.ts';
import { FindingCard } from './FindingCard.tsx';
import { FleetTimeline } from './FleetTimeline.tsx';
import { dueWords, InspectionsDue } from './InspectionsDue.tsx';
import { ModePicture } from './ModePicture.tsx';
import { STATE_WORDS } from './words.ts';

const ignore = () => undefined;
const installations = sampleInstallations.map(({ installation }) => installation);
const briefOf = (partId: string) => sampleParts.find(({ id }) => id === partId)!.brief;

test.each([
  [0, 'due today'],
  [1, 'due in 1 day'],
  [9, 'due in 9 days'],
  [-1, '! 1 day overdue'],
  [-30, '! 30 days overdue'],
])('a look in %i days is “%s”', (inDays, words) => expect(dueWords(inDays)).toBe(words));

describe('looks that are due', () => {
  const told = (findings: unknown) =>
    textOf(
      drawn(<InspectionsDue />, {
        answers: answered(
          ['installations', undefined, sampleInstallations],
          ['findings', undefined, findings],
          ['parts', undefined, sampleParts],
        ),
      }),
    );
  test('are said with their part, and are not an empty box when nothing is known yet', () => {
    expect(told([])).toMatch(/inspections? due ?: ?.+, .+ (due|!)/);
    expect(drawn(<InspectionsDue />).innerHTML).toBe('');
  });
});

test('every failure mode has a picture of its own; one that is not known has none', () => {
  const pictures = failureModes.map(({ id }) => drawn(<ModePicture modeId={id} />).innerHTML);
  expect(pictures.every((picture) => picture.includes('<path'))).toBe(true);
  expect(new Set(pictures).size).toBe(failureModes.length);
  expect(drawn(<ModePicture modeId="no-such-mode" />).innerHTML).toBe('');
});

describe.each([...new Set(installations.map(({ partId }) => partId))])('the fleet of %s', (partId) => {
  const own = installations.filter((one) => one.partId === partId);
  const findings = sampleFindings.filter(({ finding }) => own.some(({ id }) => id === finding.installationId));
  const fleet = fleetOf(
    own,
    findings.map(({ finding }) => finding),
    NOW.toISOString(),
  );
  const root = drawn(
    <FleetTimeline fleet={fleet} findings={findings} nowMs={NOW.getTime()} shownId={own[0]!.id} onShow={ignore} />,
  );
  test('each has a line with its mark, and no place is lost', () => {
    for (const { mark } of own) expect(textOf(root)).toContain(mark);
    expect(root.outerHTML).not.toMatch(/NaN/);
  });
  test('each finding has a shape by what was found, and says it on hovering', () => {
    const titles = root.querySelectorAll('title').map(({ text }) => text);
    for (const { finding } of findings) expect(titles.some((title) => title.includes(finding.text))).toBe(true);
  });
});

describe.each(sampleFindings.map((record) => [record.finding.at.slice(0, 10), record] as const))(
  'the finding of %s',
  (_at, record) => {
    const installation = installations.find(({ id }) => id === record.finding.installationId)!;
    const card = (units: 'metric' | 'inchPound') =>
      drawnFor(briefOf(installation.partId), <FindingCard record={record} installation={installation} />, {
        units,
        answers: answered(['photos', record.finding.id, []]),
      });
    test('says how it was, who looked, and what was seen, before anything is computed of it', () => {
      const text = textOf(card('metric'));
      const { mark, word } = STATE_WORDS[record.finding.state];
      expect(text).toContain(`${mark} ${word}`);
      expect(text).toContain(record.finding.by);
      if (record.finding.text) expect(text).toContain(record.finding.text.split('\n')[0]!.slice(0, 40));
      expect(wordsOf(card('metric')).filter((one) => LEAKS.test(one))).toEqual([]);
    });
    test('what was measured is in the reader’s units', () => {
      const { movedMm } = record.finding.measured;
      if (movedMm === undefined) return;
      expect(textOf(card('metric'))).toContain(`distortion ${movedMm} mm`);
      expect(textOf(card('inchPound'))).toMatch(/distortion [\d.]+ in/);
    });
  },
);
