import { randomUUID } from 'node:crypto';
import { lampArm } from '@anvilstone/core/education/sample';
import type { Brief, Part } from '@anvilstone/schema';

export interface Tally {
  /** Requests that went out, tries included. */
  sent: number;
  /** Of these, how many had no answer, or one that said “not now”. */
  unanswered: number;
  /** Things done: the server said so. */
  acknowledged: number;
  /** Longest time in which nothing at all was acknowledged, s. */
  longestGapS: number;
}

const AGAIN_MS = 150;
const PATIENCE_MS = 20_000;

/** One person at work: edits a part, makes others, and sends again what was not answered, as the page does. */
export class Client {
  private part!: Part;
  private edits = 0;
  /** The last edit that was acknowledged. */
  private lastAcknowledged = 0;
  private made: string[] = [];

  constructor(
    private readonly number: number,
    private readonly origin: () => string,
    private readonly tally: Tally & { lastMs: number },
    /** Every request is sent so often at once. */
    private readonly times: () => number,
  ) {}

  async workUntil(isOver: () => boolean): Promise<void> {
    this.part ??= await this.make('own');
    while (!isOver()) {
      await this.edit();
      if (this.edits % 4 === 0) this.made.push((await this.make(`${this.edits}`)).id);
    }
  }

  /** What was acknowledged and is not there, and what is there more than once. */
  async check(titles: readonly { id: string; title: string }[]): Promise<{ lost: number; doubled: number }> {
    const { body } = await this.ask('GET', `parts/${this.part.id}`);
    const now = body as Part;
    const kept = Number(/^edit (\d+)/.exec(now.brief.purpose)?.[1] ?? 0);
    const missing = Math.max(0, this.lastAcknowledged - kept);
    // Each edit was one revision: more of them would mean that one was done twice.
    const extra = Math.max(0, now.revision - 1 - this.edits);
    const mine = titles.filter(({ title }) => title.startsWith(`drill ${this.number} `));
    const absent = this.made.filter((id) => !mine.some((one) => one.id === id)).length;
    const twice = mine.length - new Set(mine.map(({ title }) => title)).size;
    return { lost: missing + absent, doubled: extra + twice };
  }

  private async edit(): Promise<void> {
    this.edits += 1;
    const brief: Brief = { ...this.part.brief, purpose: `edit ${this.edits} of the drill` };
    for (;;) {
      const { status, body } = await this.ask('PUT', `parts/${this.part.id}`, { brief, revision: this.part.revision });
      if (status === 200) this.part = body as Part;
      // It was done, and only its answer was lost.
      else if (status === 409 && (body as { current: Part }).current.brief.purpose === brief.purpose)
        this.part = (body as { current: Part }).current;
      else throw new Error(`an edit was answered with ${status}: ${JSON.stringify(body).slice(0, 300)}`);
      this.acknowledge();
      this.lastAcknowledged = this.edits;
      return;
    }
  }

  private async make(name: string): Promise<Part> {
    const brief = { ...lampArm, title: `drill ${this.number} ${name}` };
    const { status, body } = await this.ask('POST', 'parts', { brief }, randomUUID());
    if (status !== 201) throw new Error(`a part was answered with ${status}`);
    this.acknowledge();
    return body as Part;
  }

  private acknowledge(): void {
    const now = performance.now();
    this.tally.acknowledged += 1;
    this.tally.longestGapS = Math.max(this.tally.longestGapS, (now - this.tally.lastMs) / 1000);
    this.tally.lastMs = now;
  }

  /** Until it is answered by something that says what became of it. */
  private async ask(
    method: string,
    path: string,
    body?: unknown,
    key?: string,
  ): Promise<{ status: number; body: unknown }> {
    for (;;) {
      const answers = await Promise.all(
        Array.from({ length: method === 'GET' ? 1 : this.times() }, () => this.try(method, path, body, key)),
      );
      const told = answers.filter((one) => one !== undefined);
      // Of several at once one may be refused as stale, since another was first.
      const best = told.find(({ status }) => status < 300) ?? told[0];
      if (best) return best;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
  }

  private async try(method: string, path: string, body: unknown, key: string | undefined) {
    this.tally.sent += 1;
    try {
      const answer = await fetch(`${this.origin()}/api/v1/${path}`, {
        method,
        signal: AbortSignal.timeout(PATIENCE_MS),
        headers: { 'Content-Type': 'application/json', ...(key ? { 'Idempotency-Key': key } : {}) },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      const told = (await answer.json()) as unknown;
      if (answer.status < 500) return { status: answer.status, body: told };
    } catch {
      // No answer: nobody knows whether it was done.
    }
    this.tally.unanswered += 1;
    return undefined;
  }
}
