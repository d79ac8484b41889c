import type { LiveEvent } from '@anvilstone/schema';
import type { RequestHandler, Response } from 'express';
import { noWorkspace, principalOf, requireMay, type Principal } from '../http/principal.ts';
import type { LiveHub } from './hub.ts';

const MOST_WAITING_BYTES = 1_000_000;
const BEAT_MS = 20_000;
/** So often it is looked whether they may still listen: somebody may have been let go meanwhile. */
const BEATS_A_LOOK = 3;

/** What is changed in the workspace, as it is changed: server-sent events. */
export function liveStream(
  hub: LiveHub,
  mayStill: (principal: Principal) => Promise<boolean>,
): RequestHandler & { closeAll(): void } {
  const open = new Set<Response>();
  // All who listen are told the same: it is put into words once.
  let told: { events: readonly LiveEvent[]; words: string } | undefined;
  const inWords = (events: readonly LiveEvent[]) => {
    if (told?.events !== events) told = { events, words: `data: ${JSON.stringify(events)}\n\n` };
    return told.words;
  };
  const handler: RequestHandler = (_req, res) => {
    const principal = principalOf(res);
    requireMay(principal, 'viewer');
    if (!principal.workspace) throw noWorkspace();
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      // A proxy that gathers what it passes on would hold it back.
      'X-Accel-Buffering': 'no',
    });
    res.write('retry: 2000\n\n');
    open.add(res);
    const leave = hub.subscribe(principal.workspace.schemaName, (events) => {
      // One that has stopped reading comes back by itself, and is told then that anything may have changed.
      if (res.writableLength > MOST_WAITING_BYTES) res.destroy();
      else res.write(inWords(events));
    });
    let beats = 0;
    const beat = setInterval(() => {
      res.write(': still here\n\n');
      if (++beats % BEATS_A_LOOK !== 0) return;
      // A database that is away for a while sends nobody off.
      void mayStill(principal).then(
        (may) => may || res.end(),
        () => undefined,
      );
    }, BEAT_MS).unref();
    res.on('close', () => {
      clearInterval(beat);
      leave();
      open.delete(res);
    });
  };
  return Object.assign(handler, {
    closeAll() {
      for (const res of open) res.end();
    },
  });
}
