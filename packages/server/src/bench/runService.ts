import { randomUUID } from 'node:crypto';
import { advantageOf, sizesOf, type TestMethod } from '@anvilstone/core/evidence';
import type { Trial, TrialRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import type { Leases } from '../db/leases.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import type { InstrumentService } from '../instruments/service.ts';
import type { Device } from '../instruments/device.ts';
import type { MountedSpecimen } from '../simulators/mountedSpecimen.ts';
import { readingsFetcher, type GaugesOfRun } from './fetchReadings.ts';
import { findingsOf, hasLeadingReadings, knownMethod, zeroDoubt } from './findings.ts';
import { predictedNow } from './grounds.ts';
import { campaignTable, trialTable } from './repository.ts';
import { wholeCurve, type Channel } from './readings.ts';
import { standInSpecimen } from './standInSpecimen.ts';

/** What another server needs to go on with a run. */
interface Run extends GaugesOfRun {
  methodId: string;
  /** Of a stand-in rig: hung in again after a restart, since it forgets. */
  mounted?: MountedSpecimen;
}

export interface RunSurroundings {
  instruments: InstrumentService;
  devices: readonly Device[];
  leases: Leases;
  schemaName: string;
}

export interface RunService {
  /** Tests a specimen with the gauges at hand. @throws HttpProblem it was tested, one is missing, or does not answer */
  start(campaignId: string, specimenId: string): Promise<TrialRecord>;
  /** Ends a run by hand. @throws HttpProblem 404: it does not run */
  end(trialId: string, as: 'done' | 'abandoned'): Promise<TrialRecord>;
  /** Goes on with every run that a server left. */
  resume(): Promise<void>;
  /** A run is followed by this process. */
  isFollowing(): boolean;
  stop(): Promise<void>;
}

const LOOK_MS = 250;
/** A run is one process’s to follow for so long, s; it takes it anew after so many looks. */
const HELD_S = 12;
const TAKE_EVERY = 12;
const TEMPERATURE_EVERY = 16;
/** So many readings below this share of the peak: it has broken. */
const BROKEN_READINGS = 8;
const BROKEN_SHARE = 0.4;
const LEAST_PEAK_N = 5;

export function runService(
  db: Knex,
  logger: Logger,
  { instruments, devices, leases, schemaName }: RunSurroundings,
  now: () => Date = () => new Date(),
): RunService {
  const following = new Map<string, { stopped: boolean; done: Promise<void> }>();
  const fetcher = readingsFetcher(db, instruments, nameOf, note);
  const leaseOf = (trialId: string) => `run ${schemaName} ${trialId}`;
  const gaugeOf = (kind: Device['kind']) => devices.find((one) => one.kind === kind);

  return {
    async start(campaignId, specimenId) {
      const found = await campaignTable.find(db, campaignId);
      if (!found) throw notFound('campaign', campaignId);
      const campaign = found.document;
      const specimen = campaign.specimens.find(({ id }) => id === specimenId);
      if (!specimen) throw notFound('specimen', specimenId);
      const method = knownMethod(campaign.methodId);
      const gauges = gaugesFor(method);
      // Before anything is set to zero: another specimen may be hanging in it.
      await refuseBusyRig(db);
      await refuseTestedAlready(db, campaignId, specimenId);
      for (const id of Object.values(gauges)) if (id !== gauges.temperature) await instruments.zero(id);
      const arm = campaign.arms.find(({ id }) => id === specimen.armId)!;
      const advantage = method.capture === 'force' ? advantageOf(campaign.setUp) : 1;
      const at = now();
      const rig = devices.find(({ id }) => id === (gauges.force ?? gauges.moved))?.standIn;
      const mounted = rig?.mount
        ? standInSpecimen(
            method,
            arm,
            specimenId,
            await predictedNow(db, campaign, arm),
            sizesOf(campaign.setUp, specimen),
            advantage,
            at.getTime(),
          )
        : undefined;
      const trial: Trial = {
        id: randomUUID(),
        campaignId,
        specimenId,
        at: at.toISOString(),
        state: 'running',
        source: 'live',
        advantage,
        found: {},
        events: [],
        sampleData: campaign.sampleData,
      };
      const slow = method.capture === 'time' ? { slow: true as const } : {};
      const run: Run = { methodId: method.id, gauges, advantage, ...slow, ...(mounted ? { mounted } : {}) };
      // Before anybody else can see that nobody follows it.
      await leases.take(leaseOf(trial.id), HELD_S);
      const saved = await db.transaction(async (trx) => {
        await campaignTable.find(trx, campaignId, true);
        await refuseTestedAlready(trx, campaignId, specimenId);
        await refuseBusyRig(trx);
        const record = await trialTable.save(trx, trial, 0);
        await trx('trial_runs').insert({ trial_id: trial.id, begun_at: at, document: JSON.stringify(run) });
        return record!;
      });
      if (mounted) hangIn(gauges, mounted);
      follow(trial.id, run);
      return { trial: saved.document, revision: saved.revision };
    },
    async end(trialId, as) {
      const row = await runOf(trialId);
      if (!row) throw notFound('run', trialId);
      const one = following.get(trialId);
      if (one) {
        one.stopped = true;
        await one.done;
      }
      const record = await finish(trialId, row, as);
      if (record) return record;
      const current = await trialTable.find(db, trialId);
      return { trial: current!.document, revision: current!.revision };
    },
    async resume() {
      const rows = (await db('trial_runs').select('trial_id', 'document')) as { trial_id: string; document: Run }[];
      for (const { trial_id: trialId, document: run } of rows) {
        if (following.has(trialId) || !(await leases.take(leaseOf(trialId), HELD_S))) continue;
        if (run.mounted) hangIn(run.gauges, run.mounted);
        await note(trialId, 'restart', 'The server was restarted; what the gauges still remember is fetched');
        follow(trialId, run);
      }
    },
    isFollowing: () => following.size > 0,
    async stop() {
      for (const one of following.values()) one.stopped = true;
      await Promise.all([...following.values()].map(({ done }) => done));
    },
  };

  function gaugesFor(method: TestMethod): Run['gauges'] {
    if (method.capture !== 'force' && method.capture !== 'time')
      throw new HttpProblem(
        422,
        'no-gauge',
        'No gauge reads this',
        `“${method.title}” gives one number: type it in, with its unit.`,
      );
    const force = gaugeOf('force-gauge');
    const moved = gaugeOf('displacement-gauge');
    const temperature = gaugeOf('thermometer');
    if (method.capture === 'force' ? !force : !moved)
      throw new HttpProblem(
        503,
        'instrument-missing',
        'No gauge is at hand',
        `A ${method.capture === 'force' ? 'force' : 'displacement'} gauge is needed: connect one, read a file, or type the result.`,
      );
    return {
      ...(method.capture === 'force' && force ? { force: force.id } : {}),
      ...(moved ? { moved: moved.id } : {}),
      ...(temperature ? { temperature: temperature.id } : {}),
    };
  }

  function hangIn(gauges: Run['gauges'], mounted: MountedSpecimen): void {
    const one = devices.find(({ id }) => id === (gauges.force ?? gauges.moved));
    one?.standIn?.mount?.(mounted);
  }

  async function runOf(trialId: string): Promise<Run | undefined> {
    const row = (await db('trial_runs').where({ trial_id: trialId }).first('document')) as
      | { document: Run }
      | undefined;
    return row?.document;
  }

  function follow(trialId: string, run: Run): void {
    const one = { stopped: false, done: Promise.resolve() };
    following.set(trialId, one);
    one.done = lookAgainAndAgain(trialId, run, one)
      .catch((error: unknown) => logger.error({ err: error, trialId }, 'a run could not be followed'))
      .then(async () => {
        following.delete(trialId);
        await leases.free(leaseOf(trialId)).catch(() => undefined);
      });
  }

  async function lookAgainAndAgain(trialId: string, run: Run, one: { stopped: boolean }): Promise<void> {
    const silent = new Set<Channel>();
    for (let look = 0; !one.stopped; look++) {
      try {
        // Ended by hand elsewhere, or another process’s since this one was away for too long.
        if (!(await runOf(trialId))) return;
        if (look % TAKE_EVERY === 0 && !(await leases.take(leaseOf(trialId), HELD_S))) return;
        for (const channel of ['force', 'moved'] as const) await fetcher.channel(trialId, run, channel, silent);
        if (look % TEMPERATURE_EVERY === 0) await fetcher.temperature(trialId, run);
        if (await isOver(trialId, run)) {
          await finish(trialId, run, 'done');
          return;
        }
      } catch (error) {
        // A database that is away for a while must not end the run: gauges remember.
        logger.warn({ err: error, trialId }, 'a look at the gauges failed');
      }
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }

  async function isOver(trialId: string, run: Run): Promise<boolean> {
    const method = knownMethod(run.methodId);
    if (method.capture === 'time') {
      const { loadedS, unloadedS } = method.times!;
      const row = (await db('trial_readings').where({ trial_id: trialId, channel: 'moved' }).max('s as s').first()) as {
        s: number | null;
      };
      return (row.s ?? 0) >= loadedS.at(-1)! + (unloadedS.at(-1) ?? 0);
    }
    const last = (await db('trial_readings')
      .where({ trial_id: trialId, channel: 'force' })
      .orderBy('number', 'desc')
      .limit(BROKEN_READINGS)
      .select('value')) as { value: number }[];
    const peak = (await db('trial_readings')
      .where({ trial_id: trialId, channel: 'force' })
      .max('value as value')
      .first()) as {
      value: number | null;
    };
    const peakN = peak.value ?? 0;
    return (
      last.length === BROKEN_READINGS && peakN > LEAST_PEAK_N && last.every(({ value }) => value < BROKEN_SHARE * peakN)
    );
  }

  /** Undefined: another server, or somebody’s hand, has ended it. */
  async function finish(trialId: string, run: Run, as: 'done' | 'abandoned'): Promise<TrialRecord | undefined> {
    const method = knownMethod(run.methodId);
    return db.transaction(async (trx) => {
      const current = await trialTable.find(trx, trialId, true);
      if (current?.document.state !== 'running') return undefined;
      // Nothing more is kept of its readings from here on, by whichever process.
      await trx('trial_runs').where({ trial_id: trialId }).forUpdate().first('trial_id');
      const whole = await wholeCurve(trx, trialId);
      // A gauge that said nothing usable leaves a curve with no force in it: a trial with no result, not one that cannot end.
      const curve = whole && hasLeadingReadings(method, whole) ? whole : undefined;
      const read = curve && findingsOf(method, curve);
      const temperatures = curve ? [...curve.temperatureC].filter((value) => !Number.isNaN(value)) : [];
      const doubt = read && zeroDoubt(read.zeroOffN, read);
      const trial: Trial = {
        ...current.document,
        state: curve ? as : 'abandoned',
        found: read?.found ?? {},
        ...(read?.overRange ? { overRange: true as const } : {}),
        ...(temperatures.length > 0
          ? { temperatureC: Number((temperatures.reduce((a, b) => a + b) / temperatures.length).toFixed(1)) }
          : {}),
        events: doubt
          ? [...current.document.events, { at: now().toISOString(), kind: 'damaged', text: doubt }]
          : current.document.events,
      };
      const saved = await trialTable.save(trx, trial, current.revision);
      await trx('trial_runs').where({ trial_id: trialId }).delete();
      return saved && { trial: saved.document, revision: saved.revision };
    });
  }

  function nameOf(gaugeId: string): string {
    return devices.find(({ id }) => id === gaugeId)?.name ?? gaugeId;
  }

  async function note(trialId: string, kind: Trial['events'][number]['kind'], text: string): Promise<void> {
    await db.transaction(async (trx) => {
      const current = await trialTable.find(trx, trialId, true);
      if (current?.document.state !== 'running') return;
      const events = [...current.document.events, { at: now().toISOString(), kind, text }].slice(-MOST_EVENTS);
      await trialTable.save(trx, { ...current.document, events }, current.revision);
    });
  }
}

const MOST_EVENTS = 400;

/** @throws HttpProblem 409: one specimen at a time */
async function refuseBusyRig(db: Knex): Promise<void> {
  const busy = (await db('trial_runs').first('trial_id')) as { trial_id: string } | undefined;
  if (busy)
    throw new HttpProblem(409, 'rig-busy', 'The rig is in use', 'Another specimen hangs in it: end that run first.');
}

/** @throws HttpProblem 409: a specimen is tested once; one whose trial came to no result may be tried again */
export async function refuseTestedAlready(db: Knex, campaignId: string, specimenId: string): Promise<void> {
  const tested = (await db('trials')
    .where({ campaign_id: campaignId })
    .whereRaw(`document ->> 'specimenId' = ? and document ->> 'state' <> 'abandoned'`, [specimenId])
    .first('id')) as { id: string } | undefined;
  if (tested)
    throw new HttpProblem(
      409,
      'tested-already',
      'It has been tested',
      `${specimenId} has a trial already, and a specimen is tested once. Add another specimen; a trial that is not to count is left out with its reason.`,
    );
}
