import { findCheck } from '@anvilstone/core/checks';
import { inSentence, type Dimension, HOURS_PER_YEAR } from '@anvilstone/core/foundations';
import { lifeCycles, lifeHours, steadyHours } from '@anvilstone/core/shapes';
import type { Brief, Installation, LoadCase, ServiceFinding } from '@anvilstone/schema';
import { predictPart } from '../bench/partPrediction.ts';
import { findFailureMode, isPredictedBy } from './failureModes.ts';
import { predictedMovement } from './predictedMovement.ts';
import type { ServiceInputs } from './grounds.ts';

/** One number that was predicted or asked, beside the one that was found. */
export interface ComparedRow {
  id: 'moved' | 'hottest' | 'coldest' | 'cycles' | 'load' | 'time';
  title: string;
  dimension: Dimension;
  /** Null: not predicted. */
  predicted: number | null;
  found: number;
  /** It was asked of the part in its brief, rather than computed. */
  asked: boolean;
  /** The part saw more than it was asked for, or moved more than it should. */
  beyond: boolean;
}

export interface ServiceComparison {
  hoursInService: number;
  rows: readonly ComparedRow[];
  /** Checks that should have predicted how it failed, with the reserve that they had. */
  checks: readonly { checkId: string; title: string; reserve: number | null; status: string }[];
  verdict: 'as-predicted' | 'beyond-brief' | 'worse-than-predicted' | 'not-predicted';
  says: string;
}

const HOUR_MS = 3.6e6;
/** So much! beyond the prediction is no longer scatter of measuring. */
const MORE = 1.15;
const MARGIN_K = 2;

/**
 * What was found of a part in service beside what was predicted for it: whether it saw more than its brief asks, or gave more than was predicted, or
 * neither. The time in service counts as time under load.
 * @throws InputError as `evaluate` does
 */
export function compareFinding(
  finding: ServiceFinding,
  installation: Pick<Installation, 'installedAt'>,
  grounds: ServiceInputs,
): ServiceComparison {
  const hoursInService = hoursBetween(installation.installedAt, finding.at);
  const { brief, entry } = grounds;
  const mode = finding.modeId === undefined ? undefined : findFailureMode(finding.modeId);
  const checks = entry.checks
    .filter(({ checkId, status }) => mode && isPredictedBy(mode.id, checkId) && status !== 'not-loaded')
    .map(({ checkId, reserve, status }) => ({ checkId, title: findCheck(checkId)?.title ?? checkId, reserve, status }));
  const rows = [
    movedRow(finding, grounds, hoursInService),
    ...temperatureRows(finding, brief),
    cyclesRow(finding, brief),
    loadRow(finding, grounds),
    timeRow(finding, brief, hoursInService),
  ].filter((row) => row !== undefined);
  const verdict = verdictOf(finding, rows, checks);
  return { hoursInService, rows, checks, verdict, says: wordsOf(verdict, finding, rows) };
}

export const hoursBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / HOUR_MS;

/** The load that a finding is about: the one it names, or the only one, or the first that has a limit of movement. */
export function loadOf({ loadCaseId }: Pick<ServiceFinding, 'loadCaseId'>, { loadCases }: Brief): LoadCase | undefined {
  return (
    loadCases.find(({ id }) => id === loadCaseId) ??
    loadCases.find(({ maxSagMm }) => maxSagMm !== undefined) ??
    loadCases[0]
  );
}

function movedRow(finding: ServiceFinding, grounds: ServiceInputs, hours: number): ComparedRow | undefined {
  const found = finding.measured.movedMm;
  const load = loadOf(finding, grounds.brief);
  if (found === undefined || !load || !(hours > 0)) return undefined;
  const { brief, library, grade, orientation, rules } = grounds;
  const [at] = predictedMovement(brief, load.id, library, grade, orientation, rules, [hours]);
  const predicted = at?.movedMm ?? null;
  return {
    id: 'moved',
    title: `Distortion, ${load.name}`,
    dimension: 'length',
    predicted,
    found,
    asked: false,
    beyond: predicted !== null && found > predicted * MORE,
  };
}

/** Hottest and coldest that a brief speaks of, °C. */
export function askedTemperatures({ asks, loadCases }: Brief): { hottestC: number; coldestC: number } {
  const { heat } = asks;
  const hot = [heat?.steadyC, heat?.peak?.temperatureC, ...loadCases.map(({ temperatureC }) => temperatureC)];
  const cold = [heat?.coldestC, ...loadCases.map(({ temperatureC }) => temperatureC)];
  const known = (values: readonly (number | undefined)[]) => values.filter((one) => one !== undefined);
  return { hottestC: Math.max(...known(hot)), coldestC: Math.min(...known(cold)) };
}

function temperatureRows({ measured: { hottestC, coldestC } }: ServiceFinding, brief: Brief): ComparedRow[] {
  const asked = askedTemperatures(brief);
  const common = { dimension: 'temperature', asked: true } as const;
  return [
    ...(hottestC === undefined
      ? []
      : [
          {
            id: 'hottest' as const,
            title: 'Highest temperature',
            ...common,
            predicted: asked.hottestC,
            found: hottestC,
            beyond: hottestC > asked.hottestC + MARGIN_K,
          },
        ]),
    ...(coldestC === undefined
      ? []
      : [
          {
            id: 'coldest' as const,
            title: 'Lowest temperature',
            ...common,
            predicted: asked.coldestC,
            found: coldestC,
            beyond: coldestC < asked.coldestC - MARGIN_K,
          },
        ]),
  ];
}

function cyclesRow({ measured, loadCaseId }: ServiceFinding, brief: Brief): ComparedRow | undefined {
  const load = brief.loadCases.find(({ id, kind }) => id === loadCaseId || (!loadCaseId && kind === 'repeated'));
  const cycles = load && lifeCycles(load, brief.asks);
  if (!load || measured.cycles === undefined || cycles === undefined) return undefined;
  return {
    id: 'cycles',
    title: `Cycles, ${load.name}`,
    dimension: 'count',
    predicted: cycles,
    found: measured.cycles,
    asked: true,
    beyond: measured.cycles > cycles,
  };
}

/** Under what it failed, beside what it should have broken at where that can be predicted, else beside what was asked. */
function loadRow(finding: ServiceFinding, grounds: ServiceInputs): ComparedRow | undefined {
  const found = finding.measured.loadN;
  const load = loadOf(finding, grounds.brief);
  if (found === undefined || load?.forceN === undefined) return undefined;
  return {
    id: 'load',
    title: `Load, ${load.name}`,
    dimension: 'force',
    predicted: load.forceN,
    found,
    asked: true,
    beyond: found > load.forceN,
  };
}

/** The longest that a brief speaks of, h: of its loads, its fluids, its heat and its years in the open. */
export function askedLifeH({ loadCases, asks }: Brief): number {
  return Math.max(
    ...loadCases.map(({ durationH }) => durationH),
    ...(asks.fluids ?? []).map(({ hours }) => hours),
    steadyHours(asks) ?? 0,
    lifeHours(asks) ?? 0,
    (asks.outdoors?.years ?? 0) * HOURS_PER_YEAR,
  );
}

/** How long it was asked to last, beside how long it did; only of one that failed. */
function timeRow({ state }: ServiceFinding, brief: Brief, hours: number): ComparedRow | undefined {
  const asked = askedLifeH(brief);
  if (state !== 'failed' || !(asked > 24)) return undefined;
  return {
    id: 'time',
    title: 'Time in service',
    dimension: 'time',
    predicted: asked,
    found: hours,
    asked: true,
    beyond: hours > asked,
  };
}

function verdictOf(
  { state }: ServiceFinding,
  rows: readonly ComparedRow[],
  checks: ServiceComparison['checks'],
): ServiceComparison['verdict'] {
  if (rows.some(({ asked, beyond }) => asked && beyond)) return 'beyond-brief';
  if (rows.some(({ asked, beyond }) => !asked && beyond)) return 'worse-than-predicted';
  if (state !== 'failed') return rows.some(({ predicted }) => predicted !== null) ? 'as-predicted' : 'not-predicted';
  if (checks.length === 0) return 'not-predicted';
  return checks.every(({ status }) => status === 'pass') ? 'worse-than-predicted' : 'as-predicted';
}

function wordsOf(
  verdict: ServiceComparison['verdict'],
  { state }: ServiceFinding,
  rows: readonly ComparedRow[],
): string {
  switch (verdict) {
    case 'beyond-brief': {
      const over = rows.filter(({ asked, beyond }) => asked && beyond).map(({ title }) => inSentence(title));
      return `It saw more than its brief requires (${over.join(', ')}): correct the brief first.`;
    }
    case 'worse-than-predicted':
      return state === 'failed'
        ? 'It failed within its brief, against the prediction: the evidence or the model is too optimistic.'
        : 'It gave! beyond the prediction, within its brief: the evidence or the model is too optimistic.';
    case 'as-predicted':
      return state === 'failed' ? 'It failed where the checks predicted it.' : 'As predicted.';
    case 'not-predicted':
      return state === 'failed'
        ? 'No check in its brief covers this failure mode: add the requirement to the next brief.'
        : 'No measured value had a prediction.';
  }
}

/** Load at which the part should have broken once and slowly, N; undefined: it cannot be predicted. */
export function predictedBreakN(finding: ServiceFinding, grounds: ServiceInputs) {
  const load = loadOf(finding, grounds.brief);
  if (!load) return undefined;
  const predicted = predictPart(
    grounds.brief,
    load.id,
    grounds.library,
    grounds.grade,
    grounds.orientation,
    grounds.rules,
  );
  return predicted.known && predicted.unit === 'N' ? predicted : undefined;
}
