import { writeLine } from '../instruments/lineProtocol.ts';
import type { Device } from '../instruments/device.ts';
import { lineServer, type LineServer } from './lineServer.ts';

/** What it remembers, as a logger with its own memory does. */
const MEMORY_S = 14 * 24 * 3600;
const EVERY_S = 900;
const MOST_LINES = 2000;
/** One of its sensors creeps by so much with every reading while it drifts, %. */
const DRIFT_PCT = 0.8;

/** Weather indoors, made up: warmer and drier by day, with some damp days. Same moment, same air. */
export function madeUpAir(atMs: number): { temperatureC: number; humidityPct: number } {
  const hours = atMs / 3600e3;
  const day = Math.sin((2 * Math.PI * (hours - 15)) / 24 + Math.PI / 2);
  const weather = Math.sin((2 * Math.PI * hours) / 101) + 0.6 * Math.sin((2 * Math.PI * hours) / 37);
  return { temperatureC: 20.5 + 2.2 * day, humidityPct: 47 - 4 * day + 6 * weather };
}

export interface LoggerOptions {
  /** Between readings once it is switched on, s; it has two weeks of quarter hours before. @default 900 */
  everyS?: number;
  now?: () => Date;
}

/**
 * Stand-in of a humidity logger with two sensors and a memory.
 *   SINCE number=… most=…  →  AIR number=… at=… t=… rh=… rh2=… (each reading), END
 * While it is off it writes nothing: what it would have seen is lost, as with a real one.
 */
export async function humidityLogger({ everyS = EVERY_S, now = () => new Date() }: LoggerOptions = {}): Promise<{
  device: Device;
  close: LineServer['close'];
}> {
  const switchedOnS = Math.floor(now().getTime() / 1000);
  const dead: { fromS: number; toS: number }[] = [];
  let driftSinceS: number | undefined;
  const seconds = () => now().getTime() / 1000;
  const times = function* (afterS: number): Generator<number> {
    const firstS = Math.max(afterS + 1, switchedOnS - MEMORY_S);
    for (let s = Math.ceil(firstS / EVERY_S) * EVERY_S; s <= switchedOnS; s += EVERY_S) yield s;
    const liveS = Math.max(firstS, switchedOnS + 1);
    for (let s = Math.ceil(liveS / everyS) * everyS; s <= seconds(); s += everyS)
      if (!dead.some(({ fromS, toS }) => s > fromS && s <= toS)) yield s;
  };
  const server = await lineServer(({ word, fields }, behaviour) => {
    if (word !== 'SINCE') return [writeLine('WHAT')];
    const most = Math.min(Number(fields.most) || MOST_LINES, MOST_LINES);
    const lines: string[] = [];
    for (const s of times(Number(fields.number) || 0)) {
      if (lines.length >= most) break;
      const { temperatureC, humidityPct } = madeUpAir(s * 1000);
      const off = behaviour === 'drifts' && s > driftSinceS! ? 6 + (DRIFT_PCT * (s - driftSinceS!)) / everyS : 0;
      lines.push(
        writeLine('AIR', {
          number: s,
          at: new Date(s * 1000).toISOString(),
          t: temperatureC.toFixed(2),
          rh: (humidityPct + off).toFixed(2),
          rh2: (humidityPct + 0.4).toFixed(2),
        }),
      );
    }
    return [...lines, writeLine('END', { readings: lines.length })];
  });
  return {
    close: server.close,
    device: {
      id: 'rack-logger',
      kind: 'humidity-logger',
      name: 'Logger in the spool rack (stand-in)',
      get address() {
        return server.address;
      },
      standIn: {
        behaviour: server.behaviour,
        async behave(next) {
          if (server.behaviour() === 'off' && next !== 'off') dead.at(-1)!.toS = seconds();
          if (next === 'off' && server.behaviour() !== 'off') dead.push({ fromS: seconds(), toS: Infinity });
          if (next === 'drifts') driftSinceS = seconds();
          await server.behave(next);
        },
      },
    },
  };
}
