import { rejectionReasons } from '@anvilstone/core/decisions';
import { formatReserve } from '@anvilstone/core/foundations';
import type { CheckResult, EvaluationEntry } from '@anvilstone/schema';
import { asProblem, issueTexts } from '../sync/api/problem.ts';
import { askKinds } from '../stages/brief/asks/index.ts';
import { amount, duration } from './amount.ts';
import { demandSentence } from './demandWords.ts';

test.each([
  [0.9999, '0.99'],
  [0.996, '0.99'],
  [1, '1.00'],
  [1.119, '1.11'],
  [0.3, '0.30'],
  [25, '> 20'],
])('a reserve of %p is written %p: rounding never makes a pass', (reserve, text) =>
  expect(formatReserve(reserve)).toBe(text),
);

test.each([
  [17532, '2 years'],
  [8766, '1 year'],
  [240, '10 days'],
  [1, '1 h'],
  [0.5, '30 min'],
  [0.01, '36 s'],
])('%p h is %s', (hours, text) => expect(duration(hours)).toBe(text));

test('amounts follow the unit system where there is one to follow', () => {
  expect(amount(25.4, 'mm', 'inchPound')).toBe('1 in');
  expect(amount(60, '°C', 'inchPound')).toBe('140 °F');
  expect(amount(4, 'USD', 'inchPound')).toBe('4.00 USD');
});

const check = (facts: Partial<CheckResult>): CheckResult => ({
  checkId: 'sag-after-duration',
  status: 'fail',
  demand: 10,
  capacity: 6.2,
  unit: 'mm',
  reserve: 0.62,
  evidence: 'D',
  gaps: [],
  reason: null,
  loadCaseId: 'a',
  ...facts,
});

test('demand and capacity are said in the words of what is measured', () => {
  expect(demandSentence(check({}), 'metric')).toBe('Deflection 10 mm, limit 6.2 mm');
  expect(demandSentence(check({ demand: null }), 'metric')).toBe('');
});

test('reasons for rejection: blockers first, then the shortest reserve, then what is unknown', () => {
  const entry = {
    checks: [
      check({}),
      check({ checkId: 'mass-limit', status: 'pass', reserve: 2 }),
      check({ checkId: 'printable', reserve: null, reason: 'Bench: wears a brass nozzle through' }),
      check({ checkId: 'heat-peak', status: 'unknown', reserve: null, gaps: ['Modulus: not known'] }),
      check({ checkId: 'heat-steady', reserve: 0.5 }),
    ],
  } as EvaluationEntry;
  expect(rejectionReasons(entry)).toEqual([
    'Bench: wears a brass nozzle through',
    'Service temperature limit, continuous 0.50: 50 % short',
    'Creep deflection 0.62: 38 % short',
    'Modulus: not known',
  ]);
});

test('every ask can be added and taken off again, and leaves nothing behind', () => {
  for (const kind of askKinds) {
    const asked = kind.add({});
    expect(kind.isAsked(asked)).toBe(true);
    expect(kind.remove(asked)).toEqual({});
  }
  const both = askKinds
    .filter((kind) => kind.id === 'steady' || kind.id === 'peak')
    .reduce((asks, kind) => kind.add(asks), {});
  expect(askKinds[0]!.remove(both)).toEqual({ heat: { peak: expect.anything() as unknown } });
});

test('no answer at all, a problem document, and anything else are told apart', () => {
  expect(asProblem({ status: 'FETCH_ERROR' })).toMatchObject({ type: 'offline', status: 0 });
  const document = {
    type: 't',
    title: 'T',
    status: 422,
    detail: 'D',
    errors: [{ pointer: '/a', detail: 'bad', accepted: 'good' }],
  };
  expect(asProblem({ status: 422, data: document })).toBe(document);
  expect(issueTexts(document)).toEqual(['bad. Accepted: good.']);
  expect(asProblem({ status: 502, data: '<html>' })).toMatchObject({ type: 'unexpected' });
});
