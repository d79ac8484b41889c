import { useEffect, useMemo, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../sync/store/store.ts';
import {
  answer,
  failureOf,
  keyOf,
  line,
  type AnswerTo,
  type ArgsOf,
  type Question,
  type QuestionName,
} from './answers.ts';
import type { Workshop } from './workshop.ts';

export type Answer<T> =
  | { state: 'pending'; value?: undefined }
  /** The value answers an earlier question; the answer to this one is on its way. */
  | { state: 'updating'; value: T }
  | { state: 'ready'; value: T }
  /** This cannot be evaluated; the value, where there is one, answers an earlier question. */
  | { state: 'failed'; value?: T | undefined; message: string };

/**
 * The worker’s answer to a question, asked once however many on the page ask it. Without arguments nothing is asked. While
 * an answer is on its way the last one stays, and one that comes late is shown until then: questions that follow each other
 * faster than they are answered must not leave nothing to be seen.
 * @param since where the answer changes with other work of the worker, how far that has come
 */
export function useAnswer<Name extends QuestionName>(
  workshop: Workshop | undefined,
  name: Name,
  args: ArgsOf<Name> | undefined,
  since?: string | number,
): Answer<AnswerTo<Name>> {
  type T = AnswerTo<Name>;
  const dispatch = useAppDispatch();
  const asked: Question | undefined = workshop && args && Object.freeze({ workshop, name, args, since });
  const key = asked && keyOf(asked);
  // The key stands for the question, whose arguments are written down anew at every rendering.
  // oxlint-disable-next-line react-hooks/exhaustive-deps
  const question = useMemo(() => asked, [key]);
  const [last, setLast] = useState<{ value: T }>();
  useEffect(() => {
    if (!question) return;
    const leave = line.join(keyOf(question));
    const request = dispatch(answer.initiate(question));
    void request.then(({ data }) => data && setLast(data as { value: T }));
    return () => {
      leave();
      // One that is under way is still shown when it comes.
      void request.then(() => request.unsubscribe());
    };
  }, [dispatch, question]);
  const select = useMemo(() => question && answer.select(question), [question]);
  const found = useAppSelector((state) => select?.(state));
  if (found?.isSuccess) return { state: 'ready', value: found.data.value as T };
  const message = failureOf(found?.error);
  if (message !== undefined) return { state: 'failed', value: last?.value, message };
  return last ? { state: 'updating', value: last.value } : { state: 'pending' };
}
