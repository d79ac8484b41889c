import { sampleLibrary } from '@anvilstone/core/education/sample';
import { PROOF_TEST_CAUTION } from '@anvilstone/core/machines';
import type { PartSummary, StageMark } from '@anvilstone/schema';
import { emptyWorkshop, fullWorkshop, sampleParts } from '../../testing/testAnswers.ts';
import { answered, drawn, sampleWorkshop, textOf, type Circumstances } from '../../testing/testPage.tsx';
import { engineOf } from '../../workers/testEngine.ts';
import { PartsPage } from './list/PartsPage.tsx';
import { restsOn } from './restsOn.ts';
import { StageStrip } from './StageStrip.tsx';

const page = (answers: Circumstances['answers']) => drawn(<PartsPage />, { at: '/parts', answers });
const withParts =
  (parts: readonly PartSummary[]): Circumstances['answers'] =>
  (store) => {
    fullWorkshop!(store);
    answered(['parts', undefined, parts])!(store);
  };
const rowsOf = (root: ReturnType<typeof drawn>) => root.querySelectorAll('tbody tr');

describe('the parts', () => {
  const rows = rowsOf(page(fullWorkshop));
  test('each has a row with its leader, what governs it and how much is left', () => {
    expect(rows).toHaveLength(sampleParts.length);
    rows.forEach((row, i) => {
      expect(textOf(row.querySelector('th')!)).toContain(sampleParts[i]!.brief.title);
      // What is decided may fail by now, with nothing to count.
      if (!sampleParts[i]!.decided) expect(textOf(row)).toMatch(/\d\.\d\d/);
    });
    expect(textOf(rows[0]!)).toContain('Tarrowmill PETG Clearway, XY');
  });
  test('what was decided is named with how it stands today, and who would come first by now', () => {
    const decided = { number: 7, gradeId: 'tm-asa', gradeName: 'Tarrowmill ASA Outdoor', orientation: 'ZX' as const };
    const [row] = rowsOf(page(withParts([{ ...sampleParts[0]!, decided, decisionCount: 1 }])));
    const text = textOf(row!);
    expect(text).toContain('Tarrowmill ASA Outdoor, ZX decided, no. 7; first by now: Tarrowmill PETG Clearway');
    expect(text).toMatch(/passes|fails|\d\.\d\d/);
    const same = { ...decided, gradeId: 'tm-petg', gradeName: 'Tarrowmill PETG Clearway' };
    expect(
      textOf(rowsOf(page(withParts([{ ...sampleParts[0]!, decided: same, decisionCount: 1 }])))[0]!),
    ).not.toContain('first by now');
  });
  test('one whose failure could hurt someone says what that takes', () => {
    const hurting = sampleParts.filter(({ brief }) => brief.failureCouldHurt === 'yes').length;
    const said = rows.filter((row) => textOf(row).includes('proof test and sign-off needed'));
    expect(said).toHaveLength(hurting);
    expect(said[0]!.querySelector('[title]')!.getAttribute('title')).toBe(PROOF_TEST_CAUTION);
  });
  test('the furthest stage in which something was done is its stage', () => {
    const part = (rest: Partial<PartSummary>) => ({
      ...sampleParts[0]!,
      campaignCount: 0,
      decisionCount: 0,
      decided: null,
      inServiceCount: 0,
      ...rest,
    });
    const stage = (rest: Partial<PartSummary>) =>
      textOf(rowsOf(page(withParts([part(rest)])))[0]!.querySelector('td')!);
    expect(stage({})).toBe('Selection');
    expect(stage({ brief: { ...sampleParts[0]!.brief, failureCouldHurt: 'unanswered' } })).toBe('Brief in progress');
    expect(stage({ campaignCount: 2 })).toMatch(/^On the bench ?2 campaigns$/);
    expect(stage({ campaignCount: 2, decisionCount: 1 })).toMatch(/^Decided ?1 record, 2 campaigns$/);
    expect(stage({ decisionCount: 1, inServiceCount: 3 })).toMatch(/^In service ?1 record, 3 in service$/);
  });
  test('a question that nobody answered yet is asked in the list too', () => {
    const open = { ...sampleParts[0]!, brief: { ...sampleParts[0]!.brief, failureCouldHurt: 'unanswered' as const } };
    expect(textOf(page(withParts([open])))).toContain('Open question: could a failure hurt someone?');
  });
  test('where none passes, the nearest is called that, and no leader', () => {
    const { brief } = sampleParts[0]!;
    const heavy = { ...sampleParts[0]!, brief: { ...brief, asks: { ...brief.asks, maxMassG: 1 } } };
    expect(textOf(page(withParts([heavy])))).toMatch(/None passes; nearest /);
  });
  test('an empty workshop has no table', () => expect(page(emptyWorkshop).querySelector('table')).toBeNull());
});

describe('a settled stage', () => {
  const { brief, id } = sampleParts[0]!;
  const now = restsOn(brief, sampleWorkshop, engineOf(sampleWorkshop).screening(brief))!;
  const strip = (mark: StageMark | undefined, place: 'above' | 'below', rests = now) =>
    drawn(<StageStrip partId={id} stageId="shortlist" place={place} now={rests} />, {
      answers: answered(['stageMarks', id, mark ? [mark] : []]),
    });
  const mark: StageMark = { ...now, stage: 'shortlist', at: '2026-06-01T12:00:00Z' };
  test('is offered below what is in hand, and nothing stands above', () => {
    expect(textOf(strip(undefined, 'below'))).toContain('Mark reviewed');
    expect(strip(undefined, 'above').innerHTML).toBe('');
  });
  test('says below that nothing it rests on has changed', () => {
    expect(textOf(strip(mark, 'below'))).toContain('✓ Settled');
    expect(strip(mark, 'above').innerHTML).toBe('');
  });
  test('says above what has changed since, once something has', () => {
    const heavier = { ...mark, brief: { ...brief, asks: { ...brief.asks, maxMassG: 900 } } };
    const root = strip(heavier, 'above');
    expect(textOf(root)).toMatch(/! Out of date\..*changed since/);
    expect(root.querySelectorAll('tbody tr').length).toBeGreaterThan(0);
    expect(strip(heavier, 'below').innerHTML).toBe('');
  });
  test('with a leader that is gone it rests on none', () => {
    const none = restsOn(
      brief,
      { ...sampleWorkshop, grades: [] },
      engineOf({ ...sampleWorkshop, grades: [] }).screening(brief),
    );
    expect(none).toMatchObject({ leader: null, machine: null, pass: 0 });
    expect(restsOn(brief, sampleWorkshop, undefined)).toBeUndefined();
    expect(sampleLibrary.grades.length).toBeGreaterThan(0);
  });
});
