import type { Claim, Observation } from '@anvilstone/schema';

/** A grade as a file states it, before it meets the library. Nothing is filled in that the file does not say. */
export interface GradeDraft {
  line: number;
  /** Stated fields by dotted path: `name`, `process.nozzleC.low`. */
  fields: Map<string, unknown>;
  observations: { stated: Partial<Observation>; line: number }[];
  claims: { stated: Partial<Claim>; line: number }[];
  /** A family is stated, but which one it is has been asked and not answered yet. */
  familyAsked?: true;
}

const plain = (text: unknown) =>
  (typeof text === 'string' ? text : '')
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9+]/g, '');

/** Rows and library entries with the same key are the same grade: its id, or maker and name without regard to spelling. */
export const nameKey = (maker: unknown, name: unknown) => `${plain(maker)}/${plain(name)}`;

/** Words of a name in any order, without those of its maker: alike here means a person should look. */
export function looseKey(maker: string, name: string): string {
  const makerWords = new Set(maker.toLowerCase().split(/[^a-z0-9+]+/));
  const words = name
    .toLowerCase()
    .split(/[^a-z0-9+]+/)
    .filter((word) => word && !makerWords.has(word));
  return `${plain(maker)}/${[...new Set(words)].sort().join(' ')}`;
}

/** The drafts of a file in the order they are met. */
export class Drafts {
  private readonly byKey = new Map<string, GradeDraft>();

  at(id: string | undefined, maker: unknown, name: unknown, line: number): GradeDraft {
    const key = id ? `#${id}` : nameKey(maker, name);
    let draft = this.byKey.get(key);
    if (!draft) {
      draft = { line, fields: new Map(), observations: [], claims: [] };
      this.byKey.set(key, draft);
    }
    return draft;
  }
  list(): GradeDraft[] {
    return [...this.byKey.values()];
  }
}
