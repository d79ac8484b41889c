import { randomUUID } from 'node:crypto';
import type { Part } from '@anvilstone/schema';
import type { Request } from 'autocannon';

export type Action =
  | 'open a part'
  | 'save a brief'
  | 'list of parts'
  | 'a page of grades'
  | 'a grade'
  | 'find'
  | 'say that a page is open'
  | 'records of a part'
  | 'library'
  | 'stock';

const WORDS = ['PETG', 'nylon', 'arm', 'glass', 'outdoor', 'bracket'];
/** So many people work on a part of their own; the others share a few, and meet. */
const SHARED_PARTS = 5;
const SHARED_EVERY = 10;

/**
 * What one person does, over and over: opens a part and edits it a few times, looks at lists and grades, searches. Every tenth works on a part
 * that others edit too, so that some saves are refused as stale and brought together, as the page does.
 */
export function actionsOf(partIds: readonly string[], gradeIds: readonly string[], user: number) {
  const tab = randomUUID();
  const headers = { 'Content-Type': 'application/json', 'Accept-Encoding': 'gzip', 'Anvilstone-Tab': tab };
  const partId = user % SHARED_EVERY === 0 ? partIds[user % SHARED_PARTS]! : partIds[SHARED_PARTS + user]!;
  const etags = new Map<string, string>();
  let part: Part | undefined;
  let edits = 0;
  let round = 0;
  const order: Action[] = [];
  let asked = 0;

  const read = (action: Action, path: () => string, more: Partial<Request> = {}): Request => {
    order.push(action);
    return {
      method: 'GET',
      headers,
      setupRequest: (request) => ({ ...request, path: `/api/v1/${path()}` }),
      ...more,
    };
  };
  /** As a browser does: what it has already is only asked about. */
  const known = (action: Action, path: string): Request =>
    read(action, () => path, {
      setupRequest: (request) => {
        const etag = etags.get(path);
        return {
          ...request,
          path: `/api/v1/${path}`,
          headers: { ...headers, ...(etag === undefined ? {} : { 'If-None-Match': etag }) },
        };
      },
      onResponse: (_status, _body, _context, given) => {
        const etag = Object.entries(given ?? {}).find(([name]) => name.toLowerCase() === 'etag')?.[1];
        if (typeof etag === 'string') etags.set(path, etag);
      },
    });
  const save = (): Request => {
    order.push('save a brief');
    return {
      method: 'PUT',
      path: `/api/v1/parts/${partId}`,
      headers,
      setupRequest: (request) => {
        edits += 1;
        const brief = part && { ...part.brief, purpose: `Edit ${edits} of user ${user}` };
        return { ...request, body: JSON.stringify({ brief, revision: part?.revision ?? 0 }) };
      },
      onResponse: (status, body) => {
        const said = JSON.parse(body) as Part & { current?: Part };
        if (status === 200) part = said;
        else if (said.current) part = said.current;
      },
    };
  };
  const opening: Request[] = [
    read('open a part', () => `parts/${partId}`, {
      onResponse: (status, body) => {
        if (status === 200) part = JSON.parse(body) as Part;
      },
    }),
  ];
  order.length = 0;
  const rest: Request[] = [
    known('library', 'library'),
    save(),
    read('records of a part', () => `parts/${partId}/decisions`),
    save(),
    read('a page of grades', () => `grades?search=${WORDS[round++ % WORDS.length]}&limit=50&sort=price`),
    save(),
    {
      ...read('say that a page is open', () => 'presence'),
      method: 'POST' as const,
      body: JSON.stringify({ tab, place: `part/${partId}` }),
    },
    read('find', () => `search?q=${WORDS[round % WORDS.length]}`),
    save(),
    read('a grade', () => `grades/${gradeIds[(round * 7 + user) % gradeIds.length]}`),
    read('stock', () => 'stock'),
    save(),
    known('list of parts', 'parts'),
  ];
  // Everybody is somewhere else in it: people do not move in step.
  const turn = user % rest.length;
  const turned = <T>(list: readonly T[]) => [...list.slice(turn), ...list.slice(0, turn)];
  const inOrder: readonly Action[] = ['open a part', ...turned(order)];
  return {
    requests: [...opening, ...turned(rest)],
    /** What the answer that came is to. */
    answered: (): Action => inOrder[asked++ % inOrder.length]!,
  };
}
