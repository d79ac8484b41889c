import type { LiveEvent } from '@anvilstone/schema';

/** Every connection that is listened to, the newest last: what the server says in it is said by the test. Used by tests only. */
export const sources: TestSource[] = [];

export class TestSource {
  onopen: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  isClosed = false;

  constructor(readonly address: string) {
    sources.push(this);
  }
  close(): void {
    this.isClosed = true;
  }
  opens(): void {
    this.onopen?.();
  }
  says(...events: LiveEvent[]): void {
    this.onmessage?.({ data: JSON.stringify(events) });
  }
}
