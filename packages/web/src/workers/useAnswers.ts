import { useEffect, useMemo, useRef } from 'react';
import { shallowEqual } from 'react-redux';
import { useAppDispatch, useAppSelector } from '../sync/store/store.ts';
import {
  failureOf,
  KEYS,
  line,
  portion,
  row,
  type AnswerTo,
  type ArgsOf,
  type Question,
  type QuestionName,
} from './answers.ts';
import type { Workshop } from './workshop.ts';

/** Undefined: not known yet. */
export type RowAnswer<T> = { value: T; failure?: undefined } | { value?: undefined; failure: string } | undefined;

/**
 * The worker’s answers to many questions of a kind, one each, in their order, as they come in; those known already are
 * there at once. `all` must not change between renders unless the questions do (useMemo).
 * @param options.as a row in sight, or a portion of a long run
 * @param options.ahead how many that are not answered yet wait for the worker at a time, so that whatever else is asked has its
 * turn in between; 0: those to come are not asked for now
 */
export function useAnswers<Name extends QuestionName>(
  workshop: Workshop,
  name: Name,
  all: readonly ArgsOf<Name>[],
  { as = 'row', ahead = Infinity }: { as?: keyof typeof ENDPOINTS; ahead?: number } = {},
): readonly RowAnswer<AnswerTo<Name>>[] {
  const dispatch = useAppDispatch();
  const questions = useMemo(
    () => all.map((args): [string, Question] => withKey(as, Object.freeze({ workshop, name, args }))),
    [workshop, name, all, as],
  );
  const states = useAppSelector(
    ({ api: { queries } }) => questions.map(([key]) => queries[key] as RowState | undefined),
    shallowEqual,
  );
  const held = useRef(new Map<string, () => void>());
  useEffect(() => {
    const wanted = new Set<string>();
    let open = 0;
    questions.forEach(([key, question], i) => {
      const isOpen = answerIn(states[i]) === undefined;
      if (isOpen && ++open > ahead) return;
      wanted.add(key);
      if (held.current.has(key)) return;
      const leave = line.join(key);
      const request = dispatch(ENDPOINTS[as].initiate(question));
      held.current.set(key, () => {
        leave();
        void request.then(() => request.unsubscribe());
      });
    });
    for (const [key, drop] of held.current)
      if (!wanted.has(key)) {
        drop();
        held.current.delete(key);
      }
  }, [dispatch, questions, states, ahead, as]);
  useEffect(() => {
    const { current } = held;
    return () => {
      for (const drop of current.values()) drop();
      current.clear();
    };
  }, []);
  return useMemo(() => states.map((state) => answerIn<AnswerTo<Name>>(state)), [states]);
}

interface RowState {
  status: string;
  data?: { value: unknown };
  error?: unknown;
}

const ENDPOINTS = { row, portion };
const withKey = (as: keyof typeof ENDPOINTS, question: Question): [string, Question] => [KEYS[as](question), question];

function answerIn<T>(state: RowState | undefined): RowAnswer<T> {
  if (state?.data) return { value: state.data.value as T };
  const failure = state?.status === 'rejected' ? failureOf(state.error) : undefined;
  return failure === undefined ? undefined : { failure };
}
