import type { Instrument, InstrumentKind, MassReading, Misbehaviour, PrintProgress } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { keepReadings, lastReadingNumber, type NumberedReading } from '../spools/repository.ts';
import { ask, InstrumentSilent, type Answer } from './ask.ts';
import type { Line } from './lineProtocol.ts';
import { airOfLine, Implausible, massOfLine, progressOfLine, temperatureOfLine } from './readings.ts';
import type { Device } from './device.ts';

interface Doing {
  state: Instrument['state'];
  problem?: string;
  lastGoodAt: string | null;
  refusedCount: number;
}

export interface InstrumentService {
  list(): Instrument[];
  device(id: string, kind?: InstrumentKind): Device;
  behave(id: string, behaviour: Misbehaviour): Promise<Instrument>;
  /** Fetches what a logger has written since; what came before it lost connection is kept. */
  fetchLog(id: string): Promise<number>;
  /** A settled weighing by a scale whose check weight is right. */
  weigh(id: string): Promise<MassReading>;
  progress(id: string): Promise<PrintProgress>;
  /** A supplier’s list as CSV, whole. */
  supplierList(id: string): Promise<string>;
  /** Sets a gauge to zero. @throws HttpProblem 503: it does not answer */
  zero(id: string): Promise<void>;
  /** What a gauge has read after a number; damaged lines are left out. @throws InstrumentSilent */
  gaugeSince(id: string, number: number): Promise<Answer>;
  /** °C. @throws HttpProblem it does not answer, or cannot be believed */
  temperature(id: string): Promise<number>;
  /** Fetches every logger again and again until it is stopped. */
  watch(everyMs: number): () => void;
}

/** A chunk of a log: not more than a slow line gives in a second or two. */
const LOG_CHUNK = 400;
const GAUGE_CHUNK = 600;
/** A run is followed many times a second: a gauge that is silent for so long has dropped out. */
const GAUGE_QUIET_MS = 1500;
const CHECK_WEIGHT_G = 200;
const CHECK_WITHIN_G = 0.5;
const SETTLED_WITHIN_G = 0.3;
const WEIGHINGS = 3;

export function instrumentService(
  db: Knex,
  logger: Logger,
  devices: readonly Device[],
  now: () => Date = () => new Date(),
): InstrumentService {
  const doing = new Map<string, Doing>(
    devices.map(({ id }) => [id, { state: 'not-asked', lastGoodAt: null, refusedCount: 0 }]),
  );
  const progresses = new Map<string, PrintProgress>();

  const device = (id: string, kind?: InstrumentKind): Device => {
    const found = devices.find((one) => one.id === id);
    if (!found) throw notFound('instrument', id);
    if (kind && found.kind !== kind)
      throw invalidInput([{ pointer: '/id', detail: `${found.name} is no ${kind}`, accepted: `a ${kind}` }]);
    return found;
  };
  const of = (one: Device): Instrument => ({
    id: one.id,
    kind: one.kind,
    name: one.name,
    address: `${one.address.host}:${one.address.port}`,
    ...doing.get(one.id)!,
    ...(one.standIn ? { behaviour: one.standIn.behaviour() } : {}),
  });
  const good = (id: string) => {
    const { refusedCount } = doing.get(id)!;
    doing.set(id, { state: 'answers', lastGoodAt: now().toISOString(), refusedCount });
  };
  const bad = (id: string, state: 'silent' | 'nonsense', problem: string, refused = 0) => {
    const before = doing.get(id)!;
    doing.set(id, { ...before, state, problem, refusedCount: before.refusedCount + refused });
  };

  /** One question whose answer has to be whole and sound. */
  async function certain<T>(one: Device, question: string, last: string, read: (answer: Answer) => T): Promise<T> {
    try {
      const answer = await ask(one.address, [question], last);
      if (answer.damaged > 0) throw new Implausible(`${answer.damaged} of its lines were damaged`);
      const value = read(answer);
      good(one.id);
      return value;
    } catch (error) {
      if (error instanceof Implausible) {
        bad(one.id, 'nonsense', error.message, 1);
        throw new HttpProblem(
          502,
          'instrument-nonsense',
          `${one.name} cannot be believed`,
          `${capital(error.message)}. Nothing was written down.`,
        );
      }
      if (error instanceof InstrumentSilent) {
        bad(one.id, 'silent', error.message);
        throw new HttpProblem(
          503,
          'instrument-silent',
          `${one.name} does not answer`,
          `${capital(error.message)}. Nothing was written down; try again, or type the value in.`,
        );
      }
      throw error;
    }
  }

  const lastLine = ({ lines }: Answer): Line => lines.at(-1)!;

  return {
    list: () => devices.map(of),
    device,
    async behave(id, behaviour) {
      const one = device(id);
      if (!one.standIn)
        throw invalidInput([{ pointer: '/id', detail: `${one.name} is a real instrument`, accepted: 'a stand-in' }]);
      await one.standIn.behave(behaviour);
      return of(one);
    },
    async fetchLog(id) {
      const one = device(id, 'humidity-logger');
      let kept = 0;
      for (;;) {
        const since = await lastReadingNumber(db, id);
        let answer: Answer;
        try {
          answer = await ask(one.address, ['SINCE', { number: since, most: LOG_CHUNK }], 'END');
        } catch (error) {
          if (!(error instanceof InstrumentSilent)) throw error;
          // What it said before it lost connection is as good as ever; the rest is asked for again next time.
          kept += await keep(one, { lines: error.lines, damaged: 0 });
          bad(id, 'silent', error.message);
          return kept;
        }
        const added = await keep(one, answer);
        kept += added;
        if (added < LOG_CHUNK) return kept;
      }
    },
    async weigh(id) {
      const one = device(id, 'scale');
      const check = await certain(one, 'CHECK', 'MASS', (answer) => {
        const { massG } = massOfLine(lastLine(answer));
        if (Math.abs(massG - CHECK_WEIGHT_G) > CHECK_WITHIN_G)
          throw new Implausible(
            `it shows ${massG.toFixed(1)} g for its own check weight of ${CHECK_WEIGHT_G} g: it drifts, have it adjusted`,
          );
        return massG;
      });
      const masses: number[] = [];
      for (let i = 0; i < WEIGHINGS; i++) {
        masses.push(
          await certain(one, 'READ', 'MASS', (answer) => {
            const { massG, settled } = massOfLine(lastLine(answer));
            if (!settled) throw new Implausible('it does not come to rest: is something touching it');
            return massG;
          }),
        );
      }
      const spread = Math.max(...masses) - Math.min(...masses);
      if (spread > SETTLED_WITHIN_G) {
        const problem = `${WEIGHINGS} readings are ${spread.toFixed(1)} g apart`;
        bad(id, 'nonsense', problem, 1);
        throw new HttpProblem(
          502,
          'instrument-nonsense',
          `${one.name} cannot be believed`,
          `${problem}. Nothing was written down.`,
        );
      }
      logger.debug({ id, check, masses }, 'weighed');
      const sorted = [...masses].sort((a, b) => a - b);
      return { at: now().toISOString(), massG: sorted[1]! };
    },
    async progress(id) {
      const one = device(id, 'printer');
      const progress = await certain(one, 'PROGRESS', 'PRINT', (answer) =>
        progressOfLine(lastLine(answer), progresses.get(id), now().toISOString()),
      );
      progresses.set(id, progress);
      return progress;
    },
    supplierList: (id) =>
      certain(device(id, 'supplier'), 'LIST', 'END', ({ lines }) => {
        const rows = lines.filter(({ word }) => word === 'ROW').map(({ fields }) => fields.text ?? '');
        const promised = Number(lines.at(-1)!.fields.rows);
        if (rows.length !== promised) throw new Implausible(`${rows.length} of ${promised} lines came`);
        return rows.join('\n');
      }),
    async zero(id) {
      await certain(device(id), 'ZERO', 'ZEROED', () => undefined);
    },
    async gaugeSince(id, number) {
      try {
        const answer = await ask(device(id).address, ['SINCE', { number, most: GAUGE_CHUNK }], 'END', GAUGE_QUIET_MS);
        if (answer.damaged > 0) bad(id, 'nonsense', `${answer.damaged} of its lines were damaged`, answer.damaged);
        else good(id);
        return answer;
      } catch (error) {
        if (error instanceof InstrumentSilent) bad(id, 'silent', error.message);
        throw error;
      }
    },
    temperature: (id) =>
      certain(device(id, 'thermometer'), 'READ', 'TEMP', (answer) => temperatureOfLine(lastLine(answer))),
    watch(everyMs) {
      let stopped = false;
      let timer: NodeJS.Timeout | undefined;
      const round = async () => {
        for (const one of devices) {
          if (stopped || one.kind !== 'humidity-logger') continue;
          // A database that is away for a while must not end the watch: the logger remembers.
          await this.fetchLog(one.id).catch((error: unknown) => logger.warn({ err: error, id: one.id }, 'no log'));
        }
        if (!stopped) timer = setTimeout(() => void round(), everyMs).unref();
      };
      void round();
      return () => {
        stopped = true;
        clearTimeout(timer);
      };
    },
  };

  async function keep(one: Device, { lines, damaged }: Answer): Promise<number> {
    const readings: NumberedReading[] = [];
    let refused = damaged;
    let why = damaged > 0 ? `${damaged} damaged lines` : '';
    for (const line of lines) {
      if (line.word !== 'AIR') continue;
      try {
        readings.push(airOfLine(line, now().getTime()));
      } catch (error) {
        if (!(error instanceof Implausible)) throw error;
        refused += 1;
        why = error.message;
      }
    }
    const added = await keepReadings(db, one.id, readings);
    if (refused === 0) good(one.id);
    else bad(one.id, 'nonsense', `${capital(why)}; ${refused} reading${refused === 1 ? '' : 's'} not used`, refused);
    return added;
  }
}

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
