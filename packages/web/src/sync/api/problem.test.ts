import { asProblem, issueTexts } from './problem.ts';

test('a problem document is handed on as it is', () => {
  const data = { type: 'x', title: 'No', status: 422, detail: 'Because' };
  expect(asProblem({ status: 422, data })).toBe(data);
});

test('no answer is told from a wrong one, and both say what to do', () => {
  expect(asProblem({ status: 'FETCH_ERROR' })).toMatchObject({ type: 'offline', status: 0 });
  expect(asProblem({ status: 'TIMEOUT_ERROR' }).detail).toContain('Nothing was changed');
  expect(asProblem({ status: 502, data: '<html>' })).toMatchObject({ type: 'unexpected', status: 500 });
  expect(asProblem(undefined).type).toBe('unexpected');
});

test('issues say what would be accepted, where that is known', () => {
  const problem = { type: 'x', title: 'No', status: 422, detail: '' };
  expect(issueTexts(problem)).toEqual([]);
  expect(
    issueTexts({
      ...problem,
      errors: [
        { pointer: '/a', detail: '0 is too small', accepted: 'above 0' },
        { pointer: '/b', detail: 'It is missing' },
      ],
    } as Parameters<typeof issueTexts>[0]),
  ).toEqual(['0 is too small. Accepted: above 0.', 'It is missing.']);
});
