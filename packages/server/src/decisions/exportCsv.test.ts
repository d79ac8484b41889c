import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { evaluate } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Decision, Grade } from '@anvilstone/schema';
import { decisionCsv } from './exportCsv.ts';
import { decisionPdf } from './exportPdf.ts';

function decisionOver(grades: Grade[], change: Partial<Decision> = {}): Decision {
  return {
    format: 'anvilstone-decision/1',
    id: '0a7c1d00-0000-4000-8000-0000000000aa',
    number: 12,
    partId: '0a7c1d00-0000-4000-8000-0000000000bb',
    partRevision: 1,
    decidedAt: '2026-09-14T09:30:00.000Z',
    decidedBy: 'Tester',
    gradeId: grades[0]!.id,
    orientation: 'XZ',
    reasons: 'Because.',
    openRisks: '',
    engineVersion: 't',
    brief: lampArm,
    rules: defaultCompanyRules,
    grades,
    machines: sampleLibrary.machines,
    result: evaluate(lampArm, { grades, machines: sampleLibrary.machines }),
    ...change,
  };
}
const [first] = sampleLibrary.grades as [Grade];
const named = (name: string) => decisionCsv(decisionOver([{ ...first, name }]));

test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1'])(
  'a name that a spreadsheet would run, %p, is made harmless',
  (name) => {
    const cell = named(name).split('\r\n')[1]!;
    expect(cell.startsWith(`'${name}`) || cell.startsWith(`"'${name}`)).toBe(true);
  },
);

test('quotes, commas and line breaks stay inside their cell', () => {
  const csv = named('A "good", long\nname');
  expect(csv).toContain('"A ""good"", long\nname"');
  expect(csv.split('\r\n').filter(Boolean)).toHaveLength(2);
});

test('one column a check, numbers as numbers, unknown as the word', () => {
  const unlisted = sampleLibrary.grades.find((grade) => grade.id === 'vp-unlisted')!;
  const [header, row] = decisionCsv(decisionOver([unlisted]))
    .trim()
    .split('\r\n') as [string, string];
  expect(header.match(/reserve: /g)).toHaveLength(decisionOver([unlisted]).result.checkIds.length);
  expect(row).toContain('unknown');
  expect(row).not.toMatch(/NaN|null|undefined/);
});

test('the PDF is made whatever the grade: unknown reserves, no price, a long text', async () => {
  const unlisted = sampleLibrary.grades.find((grade) => grade.id === 'vp-unlisted')!;
  const pdf = await decisionPdf(
    decisionOver([unlisted], { reasons: 'Long. '.repeat(800), brief: { ...lampArm, failureCouldHurt: 'yes' } }),
  );
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(1);
});
