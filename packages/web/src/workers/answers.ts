import { api } from '../sync/api/api.ts';
import { engineWith } from './engine.ts';
import type { Engine } from './evaluation.worker.ts';
import { Line } from './line.ts';
import { Names } from './names.ts';
import type { Workshop } from './workshop.ts';

/** What the worker may be asked. */
export type QuestionName = Exclude<keyof Engine, 'setWorkshop'>;
export type ArgsOf<Name extends QuestionName> = Parameters<Engine[Name]>;
export type AnswerTo<Name extends QuestionName> = Awaited<ReturnType<Engine[Name]>>;

export interface Question {
  workshop: Workshop;
  name: QuestionName;
  args: readonly unknown[];
  /** What the answer depends on beside its arguments: how far other work in the worker has come. */
  since?: string | number | undefined;
}

const names = new Names();

/** The same for questions that have the same answer. A workshop is told by its identity: it is replaced, never changed. */
export const keyOf = ({ workshop, name, args, since = '' }: Question): string =>
  `${name} ${names.ofIdentity(workshop)} ${since} ${args.map((arg) => names.ofContent(arg)).join(' ')}`;

export const KEYS = {
  row: (question: Question): string => `row ${keyOf(question)}`,
  portion: (question: Question): string => `portion ${keyOf(question)}`,
};

export const line = new Line();

/** Why a question has no answer: nobody waited for it any more. */
const PASSED_OVER = 'passed over';

/** An answer is not kept for long: the worker keeps what took it time, and a moved slider leaves many behind. s */
const KEPT_S = 1;

/** A row that was scrolled out of sight is there again for a while. s */
const ROW_KEPT_S = 60;

const askedBy = (keyOf: (question: Question) => string) => ({
  serializeQueryArgs: ({ queryArgs }: { queryArgs: Question }) => keyOf(queryArgs),
  // Compared, or frozen through and through, thousands of rows would hold up the page: an answer is frozen at the top alone.
  structuralSharing: false,
  queryFn: async (question: Question) => {
    try {
      const taken = await line.take(keyOf(question), () => ask(question));
      if (!taken) return { error: { status: 'CUSTOM_ERROR', error: PASSED_OVER } as const };
      return { data: Object.freeze(taken) };
    } catch (error) {
      const words = error instanceof Error ? error.message : String(error);
      return { error: { status: 'CUSTOM_ERROR', error: words } as const };
    }
  },
});

const answersApi = api.injectEndpoints({
  endpoints: (build) => ({
    answer: build.query<{ value: unknown }, Question>({ ...askedBy(keyOf), keepUnusedDataFor: KEPT_S }),
    /** One of many of a kind that are in sight. */
    row: build.query<{ value: unknown }, Question>({ ...askedBy(KEYS.row), keepUnusedDataFor: ROW_KEPT_S }),
    /**
     * A portion of a long run, whose results other questions of the same brief read in the worker. It is never kept: the
     * worker forgets them with the brief, and has to be asked again.
     */
    portion: build.query<{ value: unknown }, Question>({ ...askedBy(KEYS.portion), keepUnusedDataFor: 0 }),
  }),
});

async function ask({ workshop, name, args }: Question): Promise<unknown> {
  const engine = await engineWith(workshop);
  return (engine[name] as (...all: readonly unknown[]) => Promise<unknown>)(...args);
}

export const { answer, row, portion } = answersApi.endpoints;

/** What went wrong, in words; undefined: nothing did, or the question was only passed over. */
export function failureOf(error: unknown): string | undefined {
  const words = (error as { error?: string } | undefined)?.error;
  return words === PASSED_OVER ? undefined : words;
}
