import type { Brief } from '@anvilstone/schema';
import type { ReactNode } from 'react';

export type Asks = Brief['asks'];

export interface AskFieldsProps {
  asks: Asks;
  set: (change: Partial<Asks>) => void;
}

/** An ask that can be added from the palette and taken off again. The next one is one entry in its group's list. */
export interface AskKind {
  id: string;
  title: string;
  /** What is meant, and why it matters, in plain words. */
  explains: string;
  isAsked(asks: Asks): boolean;
  add(asks: Asks): Asks;
  remove(asks: Asks): Asks;
  /** Absent: asking for it says it all. */
  Fields?: (props: AskFieldsProps) => ReactNode;
  /** Its fields need the whole width. */
  wide?: true;
}

export function without<K extends keyof Asks>(asks: Asks, key: K): Asks {
  const { [key]: _gone, ...rest } = asks;
  return rest;
}

/** An ask that is one field of the asks. */
export function askOf<K extends keyof Asks>(
  key: K,
  start: NonNullable<Asks[K]>,
  about: Pick<AskKind, 'id' | 'title' | 'explains' | 'Fields' | 'wide'>,
): AskKind {
  return {
    ...about,
    isAsked: (asks) => asks[key] !== undefined,
    add: (asks) => ({ ...asks, [key]: start }),
    remove: (asks) => without(asks, key),
  };
}
