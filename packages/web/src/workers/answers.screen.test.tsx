import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Brief } from '@anvilstone/schema';
import { act, render, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { api } from '../sync/api/api.ts';
import { makeStore } from '../sync/store/store.ts';
import { theEngine } from './testComlink.ts';
import { engineOf } from './testEngine.ts';
import { useAnswer } from './useAnswer.ts';
import { useAnswers } from './useAnswers.ts';

const library = { ...sampleLibrary, rules: defaultCompanyRules };
const heavier = (forceN: number): Brief => ({
  ...lampArm,
  loadCases: lampArm.loadCases.map((load) => ({ ...load, forceN })),
});
let store: ReturnType<typeof makeStore>;
const around = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;

beforeEach(() => {
  store = makeStore();
  engineOf(library);
});
afterEach(() => {
  jest.restoreAllMocks();
  store.dispatch(api.util.resetApiState());
});

test('a question is asked once, however many on the page ask it', async () => {
  const asked = jest.spyOn(theEngine(), 'explain');
  const Reader = () => <p>{useAnswer(library, 'explain', [lampArm, 'ne-petg', 'XZ']).state}</p>;
  const { container } = render(
    <>
      <Reader />
      <Reader />
    </>,
    { wrapper: around },
  );
  await waitFor(() => expect(container.textContent).toBe('readyready'));
  expect(asked).toHaveBeenCalledTimes(1);
});

test('an older answer is never called ready: it says that another is on its way', async () => {
  const states: string[] = [];
  const { result, rerender } = renderHook(
    ({ forceN }) => {
      const answer = useAnswer(library, 'oneWay', [heavier(forceN), 'ne-petg', 'XZ']);
      states.push(answer.state);
      return answer;
    },
    { wrapper: around, initialProps: { forceN: 10 } },
  );
  expect(result.current).toEqual({ state: 'pending' });
  await waitFor(() => expect(result.current.state).toBe('ready'));
  const before = result.current.value;
  rerender({ forceN: 20 });
  expect(result.current).toEqual({ state: 'updating', value: before });
  await waitFor(() => expect(result.current.state).toBe('ready'));
  expect(result.current.value!.minimumReserve).toBeLessThan(before!.minimumReserve!);
  expect(states.indexOf('updating')).toBeGreaterThan(states.indexOf('ready'));
});

test('dragged faster than it is answered, only the newest of those that wait is asked', async () => {
  const asked = jest.spyOn(theEngine(), 'oneWay');
  const { result, rerender } = renderHook(
    ({ forceN }) => useAnswer(library, 'oneWay', [heavier(forceN), 'ne-petg', 'XZ']),
    { wrapper: around, initialProps: { forceN: 10 } },
  );
  act(() => {
    for (let forceN = 11; forceN <= 30; forceN++) rerender({ forceN });
  });
  await waitFor(() => expect(result.current.state).toBe('ready'));
  expect(asked.mock.calls.length).toBeLessThan(4);
  expect(asked.mock.calls.at(-1)![0].loadCases[0]!.forceN).toBe(30);
});

test('what cannot be evaluated says why, beside the last answer; put right, it is answered again', async () => {
  const { result, rerender } = renderHook(
    ({ spanMm }) =>
      useAnswer(library, 'oneWay', [{ ...lampArm, part: { ...lampArm.part, spanMm } } as Brief, 'ne-petg', 'XZ']),
    { wrapper: around, initialProps: { spanMm: 200 } },
  );
  await waitFor(() => expect(result.current.state).toBe('ready'));
  const before = result.current.value;
  rerender({ spanMm: -1 });
  await waitFor(() => expect(result.current.state).toBe('failed'));
  expect(result.current).toMatchObject({ value: before, message: expect.stringMatching(/spanMm/) as string });
  rerender({ spanMm: 210 });
  await waitFor(() => expect(result.current.state).toBe('ready'));
});

test('many of a kind come in order, some at a time; stopped, none is asked for, and it goes on from there', async () => {
  const asked = jest.spyOn(theEngine(), 'evaluateGrades');
  const all = library.grades.slice(0, 6).map(({ id }): [Brief, string[]] => [lampArm, [id]]);
  const { result, rerender } = renderHook(({ ahead }) => useAnswers(library, 'evaluateGrades', all, { ahead }), {
    wrapper: around,
    initialProps: { ahead: 0 },
  });
  expect(result.current).toEqual(all.map(() => undefined));
  expect(asked).not.toHaveBeenCalled();
  rerender({ ahead: 1 });
  await waitFor(() => expect(result.current.every((one) => one?.value)).toBe(true));
  expect(asked.mock.calls.map(([, ids]) => ids[0])).toEqual(all.map(([, [id]]) => id));
});

test('rows in sight are there at once when one scrolls back; portions that other questions rest on are asked again', async () => {
  const asked = jest.spyOn(theEngine(), 'evaluateGrades');
  const rowOf = (id: string): [Brief, string[]][] => [[lampArm, [id]]];
  const [a, b] = [rowOf('ne-petg'), rowOf('tm-asa')];
  for (const [as, times] of [
    ['row', 2],
    ['portion', 3],
  ] as const) {
    asked.mockClear();
    const { result, rerender, unmount } = renderHook(({ all }) => useAnswers(library, 'evaluateGrades', all, { as }), {
      wrapper: around,
      initialProps: { all: a },
    });
    for (const all of [a, b, a]) {
      rerender({ all });
      await waitFor(() => expect(result.current[0]?.value?.[0]?.gradeId).toBe(all[0]![1][0]));
      await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
    }
    expect(asked).toHaveBeenCalledTimes(times);
    unmount();
  }
});
