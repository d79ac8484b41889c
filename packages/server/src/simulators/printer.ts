import type { PrintOrder } from '@anvilstone/schema';
import { writeLine } from '../instruments/lineProtocol.ts';
import type { Device } from '../instruments/device.ts';
import { lineServer, type LineServer } from './lineServer.ts';

/** An hour of its print passes in so many seconds. */
const SECONDS_AN_HOUR = 3;

/**
 * Stand-in of a printer that tells how far it is.
 *   PROGRESS → PRINT state=idle|printing|done|failed job=… done=… filament=… hours=… left=…
 * Time passes quickly for it. One that drifts goes backwards; one that is switched off while it prints has failed when it is back.
 */
export async function printer(
  now: () => Date = () => new Date(),
): Promise<{ device: Device; close: LineServer['close'] }> {
  let job: (PrintOrder & { beganMs: number }) | undefined;
  let failedAt: number | undefined;
  const share = () => (job ? Math.min(1, (now().getTime() - job.beganMs) / (1000 * SECONDS_AN_HOUR * job.hours)) : 0);
  const server = await lineServer(({ word }, behaviour) => {
    if (word !== 'PROGRESS') return [writeLine('WHAT')];
    if (!job) return [writeLine('PRINT', { state: 'idle', job: '', done: 0, filament: 0, hours: 0, left: 0 })];
    const real = failedAt ?? share();
    const done = behaviour === 'drifts' && real < 1 ? Math.abs(0.5 - real) : real;
    return [
      writeLine('PRINT', {
        state: failedAt !== undefined ? 'failed' : real >= 1 ? 'done' : 'printing',
        job: job.job,
        done: (100 * done).toFixed(1),
        filament: (job.filamentG * real).toFixed(1),
        hours: (job.hours * real).toFixed(3),
        left: (job.hours * (1 - real)).toFixed(3),
      }),
    ];
  });
  return {
    close: server.close,
    device: {
      id: 'printer',
      kind: 'printer',
      name: 'Workshop enclosed (stand-in)',
      get address() {
        return server.address;
      },
      standIn: {
        behaviour: server.behaviour,
        async behave(next) {
          if (next === 'off' && job && failedAt === undefined && share() < 1) failedAt = share();
          await server.behave(next);
        },
        begin(next) {
          job = { ...next, beganMs: now().getTime() };
          failedAt = undefined;
        },
      },
    },
  };
}
