import type { AtEqualMass, Sized } from '@anvilstone/core/evaluation';
import type { Brief } from '@anvilstone/schema';
import { useMemo } from 'react';
import { inPortions } from '../../../workers/inPortions.ts';
import { useAnswers, type RowAnswer } from '../../../workers/useAnswers.ts';
import type { Workshop } from '../../../workers/workshop.ts';

/** Grades a portion: small enough that the page can ask for something else in between. */
const PORTION = 12;

export interface Portions<T> {
  /** The dimension that grows, and its drawn value, mm. */
  title: string;
  drawnMm: number;
  rows: readonly T[];
  done: boolean;
  /** This part has no dimension that may grow by itself. */
  impossible: boolean;
  failure: string | undefined;
}

/** Every grade at the size with which it just passes, as they come in; not `wanted`: none is asked for. */
export function useSized(
  brief: Brief,
  library: Workshop,
  ids: readonly string[],
  { wanted = true, stopped = false }: { wanted?: boolean; stopped?: boolean } = {},
): Portions<Sized> {
  const all = usePortionsOf(ids, wanted);
  const asked = useMemo(() => all.map((some): [Brief, readonly string[]] => [brief, some]), [brief, all]);
  const answers = useAnswers(library, 'sized', asked, { as: 'portion', ahead: stopped ? 0 : 1 });
  return useMemo(() => gathered<Sized>(answers), [answers]);
}

/** Every grade in parts of one mass, as they come in; undefined mass: nothing is asked for. */
export function useEqualMass(
  brief: Brief,
  library: Workshop,
  ids: readonly string[],
  massG: number | undefined,
  stopped: boolean,
): Portions<AtEqualMass> {
  const all = usePortionsOf(ids, massG !== undefined);
  const asked = useMemo(
    () => all.map((some): [Brief, number, readonly string[]] => [brief, massG!, some]),
    [brief, massG, all],
  );
  const answers = useAnswers(library, 'equalMass', asked, { as: 'portion', ahead: stopped ? 0 : 1 });
  return useMemo(() => gathered<AtEqualMass>(answers), [answers]);
}

const NONE: readonly (readonly string[])[] = [];

/** The order in which they are asked for does not matter, so that ranking anew does not start it again. */
function usePortionsOf(ids: readonly string[], wanted: boolean): readonly (readonly string[])[] {
  const key = [...ids].sort().join(' ');
  return useMemo(() => (wanted ? inPortions(key.split(' ').filter(Boolean), PORTION) : NONE), [key, wanted]);
}

function gathered<T>(
  answers: readonly RowAnswer<{ title: string; drawnMm: number; rows: T[] } | undefined>[],
): Portions<T> {
  const told = answers.filter((one) => one !== undefined);
  const first = told.find((one) => one.value !== undefined)?.value;
  return {
    title: first?.title ?? '',
    drawnMm: first?.drawnMm ?? 0,
    rows: told.flatMap((one) => one.value?.rows ?? []),
    done: told.length === answers.length && answers.length > 0,
    impossible: told.some((one) => one.failure === undefined && one.value === undefined),
    failure: told.find((one) => one.failure !== undefined)?.failure,
  };
}
