import type { ConditioningJob, DryerAtHand, Grade, Spool } from '@anvilstone/schema';
import { waterDiffusionMm2PerH, findFamily, timeToFraction } from '@anvilstone/core/materials';
import type { DryingOfGrade } from './dryingOfGrade.ts';

/** A spool to be dried or parts to be conditioned: what a run holds. Times in ms since 1970, as dates are. */
export interface DryerLoad {
  id: string;
  title: string;
  purpose: DryerAtHand['purpose'];
  /** Air that `hours` belong to, °C. */
  dryingC: number;
  /** Hottest it bears, °C. */
  limitC: number;
  hours: number;
  /** Undefined: nobody waits for it. */
  needMs: number | undefined;
  /** Not at hand before. */
  fromMs: number;
}

/** Parts have nine tenths of the water they will take up. */
const ENOUGH = 0.9;
/** Families that take up less change nothing that one notices, % at 50 % humidity. */
const NOTICEABLE_WATER_PCT = 1;

export function spoolLoad(
  { id, need }: Spool,
  grade: Grade,
  { dryingC, limitC, dryingH }: DryingOfGrade,
  needsH: number,
): DryerLoad {
  return {
    id,
    title: `${id} ${grade.name}`,
    purpose: 'drying',
    dryingC,
    limitC,
    hours: Math.max(needsH, dryingH),
    needMs: need && Date.parse(need.at),
    fromMs: -Infinity,
  };
}

/** Hours until nine tenths of the water of the damp air or bath, by Fick (Crank, eq. 4.18). A string: why it is not conditioned. */
export function conditioningLoad(job: ConditioningJob, grade: Grade | undefined): DryerLoad | string {
  const family = grade && findFamily(grade.familyId);
  if (!family) return `${job.title}: its grade or family is not known`;
  if (family.morphology === 'support') return `${job.title}: ${family.abbreviation} dissolves in water`;
  if (family.waterAt23C50RhPct < NOTICEABLE_WATER_PCT)
    return `${job.title}: ${family.abbreviation} takes up too little water to be conditioned`;
  const diffusion = waterDiffusionMm2PerH(family.sorptionHalfTime2mmH, job.temperatureC);
  return {
    id: job.id,
    title: job.title,
    purpose: 'conditioning',
    dryingC: job.temperatureC,
    limitC: job.temperatureC,
    hours: timeToFraction(job.wallMm, diffusion, ENOUGH),
    needMs: Date.parse(job.needAt),
    fromMs: job.from === undefined ? -Infinity : Date.parse(job.from),
  };
}
