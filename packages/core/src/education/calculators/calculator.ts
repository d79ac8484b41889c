import { record } from '@anvilstone/schema';
import type { Static, TObject, TProperties, TSchema } from '@sinclair/typebox';

/** A formula of the core with its input and output schema: reachable from the command line, the API and the pages. */
export interface Calculator {
  id: string;
  title: string;
  source: string;
  /** An input that works: what a form starts from. */
  example: Record<string, unknown>;
  input: TSchema;
  output: TSchema;
  /** Input must have been validated against `input`. @throws InputError where values do not go together */
  run(input: unknown): unknown;
}

/** Ties a formula to its schemas; the types of `run` follow from them. */
export function calculator<I extends TProperties, O extends TProperties>(definition: {
  id: string;
  title: string;
  source: string;
  example: Static<TObject<I>>;
  input: I;
  output: O;
  run(input: Static<TObject<I>>): Static<TObject<O>>;
}): Calculator {
  const { input, output, run, ...rest } = definition;
  return {
    ...rest,
    input: record(input, `Input of: ${rest.title}`),
    output: record(output, `Output of: ${rest.title}`),
    run: (value) => run(value as Static<TObject<I>>),
  };
}
