import { mergeDocuments, sameContent } from '@anvilstone/core/decisions';
import { briefIssues } from '@anvilstone/core/evaluation';
import type { Part, Problem } from '@anvilstone/schema';
import { api } from '../api/api.ts';
import { asProblem } from '../api/problem.ts';
import type { Store } from '../store/store.ts';
import { sendable, whoIn } from './queueRequest.ts';
import { drop, keep, type Kept, type KeptBrief } from './outbox.ts';

type Outcome = 'sent' | 'no answer' | Problem;

/** Not now, and nothing is wrong with it: away, signed out, asked to wait. */
const LATER: readonly number[] = [0, 401, 429, 502, 503, 504, 507];
const MOST_MEETINGS = 3;
/** A brief edited less long ago is being typed in another window, whose own save would meet this one. */
const STILL_TYPED_MS = 5000;

/**
 * Sends what was kept, in the order it was made, until the server does not answer. One page at a time, where the browser can say so; two
 * would do no harm, since a request has its key and a brief its revision.
 */
export async function sendPending(store: Store): Promise<void> {
  const locks = (globalThis.navigator as Partial<Navigator>).locks;
  if (!locks) return sendAll(store);
  await locks.request('anvilstone-outbox', { ifAvailable: true }, async (lock) => {
    if (lock) await sendAll(store);
  });
}

async function sendAll(store: Store): Promise<void> {
  for (const one of sendable(whoIn(store.getState()))) {
    // The open brief saves itself.
    if (one.kind === 'brief' && store.getState().draft.partId === one.partId) continue;
    if (one.kind === 'brief' && isStillTyped(one)) continue;
    const outcome = one.kind === 'brief' ? await sendBrief(store, one) : await sendRequest(store, one);
    if (outcome === 'no answer') return;
    if (outcome === 'sent') drop(one.id, one);
    else keep({ ...one, refused: outcome });
  }
}

/** A clock that was put back does not keep anything from being sent. */
function isStillTyped({ atMs }: KeptBrief): boolean {
  const ageMs = Date.now() - atMs;
  return ageMs >= 0 && ageMs < STILL_TYPED_MS;
}

async function sendRequest(store: Store, one: Kept & { kind: 'request' }): Promise<Outcome> {
  const answer = await store.dispatch(api.endpoints.sendPending.initiate(one));
  return answer.error === undefined ? 'sent' : outcomeOf(answer.error);
}

/** Over a newer one only where the two have not changed the same. */
async function sendBrief(store: Store, one: KeptBrief): Promise<Outcome> {
  if (briefIssues(one.brief).length > 0)
    return local('Contradictory input', 'Open the part: the fields to be corrected are marked there.');
  let { brief, revision, base } = one;
  for (let meeting = 0; meeting < MOST_MEETINGS; meeting++) {
    const answer = await store.dispatch(api.endpoints.savePart.initiate({ id: one.partId, brief, revision }));
    if (answer.error === undefined) return 'sent';
    const problem = asProblem(answer.error);
    const newer = problem.status === 409 ? (problem.current as Part | undefined) : undefined;
    if (!newer) return outcomeOf(answer.error);
    if (sameContent(newer.brief, brief)) return 'sent';
    const met = base ? mergeDocuments(base, brief, newer.brief) : undefined;
    if (!met || met.conflicts.length > 0 || briefIssues(met.merged).length > 0)
      return local('Changed by someone else', 'Open the part and choose a version; nothing was overwritten.');
    ({ revision, brief: base } = newer);
    brief = met.merged;
  }
  return 'no answer';
}

/** By the status and not by what came with it: a proxy on the way answers in its own words. */
function outcomeOf(error: unknown): Outcome {
  const { status } = error as { status?: unknown };
  return LATER.includes(typeof status === 'number' ? status : 0) ? 'no answer' : asProblem(error);
}
const local = (title: string, detail: string): Problem => ({ type: 'kept', title, status: 409, detail });
