import { writeLine } from '../instruments/lineProtocol.ts';
import type { Device } from '../instruments/device.ts';
import { lineServer } from './lineServer.ts';
import type { MountedSpecimen } from './mountedSpecimen.ts';

const GAUGE_CAPACITY_N = 500;
const PER_SECOND = 10;
/** A gauge remembers its last minute; what is older when it is asked is lost. */
const MEMORY = 60 * PER_SECOND;
const MOST_LINES = 600;
const NOISE_N = 0.25;
const NOISE_MM = 0.004;
/** A pull takes so long, after the slack is taken up. */
const PULL_S = 5;
const SLACK_S = 0.6;
const TAIL_S = 2;
/** Days under the weight pass in so many seconds, and those after it in so many; the first minutes of each slowly. */
const LOADED_PASS_S = 9;
const UNLOADED_PASS_S = 4;
/** Time passes quickly for it: it reads more often. */
const PER_SECOND_OF_DAYS = 40;
const ROOM_C = 21.5;

interface State {
  s: number;
  forceN: number;
  movedMm: number;
}

/**
 * Stand-in of a test rig with its gauges: displacement, force (to 500 N), temperature, each on a port of its own.
 *   ZERO → ZEROED;  SINCE number=… most=… → LOAD number=… s=… n=… [over=yes] or MOVE number=… s=… mm=… (each reading), END readings=…
 *   READ → TEMP c=…
 * Its seconds pass `pace` times as fast as those of the clock.
 */
export async function benchRig(now: () => Date = () => new Date(), pace = 1) {
  let mounted: MountedSpecimen | undefined;
  let drift = 0;
  const elapsedS = () => (mounted ? Math.max(0, (pace * (now().getTime() - mounted.beganMs)) / 1000) : 0);

  const log = (
    fields: Readonly<Record<string, string>>,
    lineOf: (number: number, state: State, seed: number) => string,
  ) => {
    if (!mounted) return [writeLine('END', { readings: 0 })];
    const rate = mounted.kind === 'force' ? PER_SECOND : PER_SECOND_OF_DAYS;
    const newest = Math.floor(Math.min(elapsedS(), lengthS(mounted)) * rate);
    const first = Math.max(1, (Number(fields.number) || 0) + 1, newest - MEMORY + 1);
    const most = Math.min(Number(fields.most) || MOST_LINES, MOST_LINES);
    const lines: string[] = [];
    for (let number = first; number <= newest && lines.length < most; number++)
      lines.push(lineOf(number, stateAt(mounted, number / rate), mounted.seed));
    return [...lines, writeLine('END', { readings: lines.length })];
  };

  const force = await lineServer(({ word, fields }, behaviour) => {
    if (word === 'ZERO') {
      drift = 0;
      return [writeLine('ZEROED')];
    }
    if (word !== 'SINCE') return [writeLine('WHAT')];
    return log(fields, (number, { s, forceN }, seed) => {
      if (behaviour === 'drifts') drift += 0.15;
      const read = forceN / mounted!.advantage + drift + NOISE_N * noise(seed + number);
      const over = read > GAUGE_CAPACITY_N;
      return writeLine('LOAD', {
        number,
        s: s.toFixed(3),
        n: Math.min(read, GAUGE_CAPACITY_N).toFixed(2),
        ...(over ? { over: 'yes' } : {}),
      });
    });
  });
  const moved = await lineServer(({ word, fields }) => {
    if (word === 'ZERO') return [writeLine('ZEROED')];
    if (word !== 'SINCE') return [writeLine('WHAT')];
    return log(fields, (number, { s, movedMm }, seed) =>
      writeLine('MOVE', { number, s: s.toFixed(3), mm: (movedMm + NOISE_MM * noise(seed + 7 * number)).toFixed(4) }),
    );
  });
  const thermometer = await lineServer(({ word }) =>
    word === 'READ'
      ? [
          writeLine('TEMP', {
            c: ((mounted?.temperatureC ?? ROOM_C) + 0.2 * noise(Math.floor(now().getTime() / 5000))).toFixed(1),
          }),
        ]
      : [writeLine('WHAT')],
  );

  const standIn = (server: typeof force) => ({
    behaviour: server.behaviour,
    behave: server.behave,
    mount(specimen: MountedSpecimen) {
      mounted = specimen;
    },
  });
  const device = (id: string, kind: Device['kind'], name: string, server: typeof force): Device => ({
    id,
    kind,
    name,
    get address() {
      return server.address;
    },
    standIn: standIn(server),
  });
  return {
    devices: [
      device('force-gauge', 'force-gauge', `Force gauge, ${GAUGE_CAPACITY_N} N (stand-in)`, force),
      device('displacement-gauge', 'displacement-gauge', 'Displacement gauge (stand-in)', moved),
      device('bench-thermometer', 'thermometer', 'Thermometer at the rig (stand-in)', thermometer),
    ],
    async close() {
      await Promise.all([force, moved, thermometer].map(({ close }) => close()));
    },
  };
}

const lengthS = (mounted: MountedSpecimen) =>
  mounted.kind === 'force' ? SLACK_S + PULL_S + TAIL_S : LOADED_PASS_S + UNLOADED_PASS_S;

/** What the rig does so long after it began, in its own seconds. */
function stateAt(mounted: MountedSpecimen, elapsedS: number): State {
  return mounted.kind === 'force' ? pulled(mounted, elapsedS) : sagged(mounted, elapsedS);
}

function pulled({ peakN, crackN, stiffnessNPerMm }: MountedSpecimen & { kind: 'force' }, elapsedS: number): State {
  const toPeakMm = crackN === null ? peakN / stiffnessNPerMm : (peakN + 0.06 * crackN) / stiffnessNPerMm;
  const speed = toPeakMm / PULL_S;
  const movedMm = speed * elapsedS;
  const stretched = movedMm - speed * SLACK_S;
  if (stretched <= 0) return { s: elapsedS, forceN: 0, movedMm };
  const cracked = crackN !== null && stretched > crackN / stiffnessNPerMm;
  const forceN = stiffnessNPerMm * stretched - (cracked ? 0.06 * crackN : 0);
  return { s: elapsedS, forceN: stretched >= toPeakMm ? 0.4 : forceN, movedMm };
}

function sagged(
  { loadN, instantMm, creepA, creepN, loadedS, totalS }: MountedSpecimen & { kind: 'time' },
  elapsedS: number,
): State {
  const s =
    elapsedS <= LOADED_PASS_S
      ? (1 + loadedS) ** (elapsedS / LOADED_PASS_S) - 1
      : loadedS + (1 + totalS - loadedS) ** ((elapsedS - LOADED_PASS_S) / UNLOADED_PASS_S) - 1;
  const grown = (t: number) => creepA * (Math.max(t, 1e-3) / 3600) ** creepN;
  if (s <= loadedS) return { s, forceN: loadN, movedMm: instantMm * (1 + grown(s)) };
  // Boltzmann: what came on at the start less what came on again, the other way, when the weight was taken off.
  return { s, forceN: 0, movedMm: instantMm * (grown(s) - grown(s - loadedS)) };
}

/** Between −1 and 1, the same for the same number. */
function noise(number: number): number {
  const x = Math.sin(number * 12.9898) * 43758.5453;
  return 2 * (x - Math.floor(x)) - 1;
}
