import { say, celsius, mm, bare, joined } from '@anvilstone/core/foundations';
import type { BuildOrientation, Grade, CompanyRules, Machine, Statement } from '@anvilstone/schema';
import { findFamily, type Family, findReinforcement, type Reinforcement } from '@anvilstone/core/materials';
import { BUILT_UP, type PartAxis } from '@anvilstone/core/shapes';
import { blocker, caution } from './findings.ts';
import { bedAndChamberFindings, warpFindings } from './chamberFindings.ts';
import { handlingFindings } from './handlingFindings.ts';
import { softnessOf } from './softness.ts';
import { warpTendency } from './warpRisk.ts';
import { boxOf, longestOf, type BoxOnBed } from './boxOnBed.ts';
import type { FitVerdict, FitFinding, ProcessNeeds } from './fitFinding.ts';

export interface MachineFit {
  machine: Machine;
  verdict: FitVerdict;
  findings: readonly FitFinding[];
  /** All of it in one sentence, blockers first. */
  summary: Statement;
}

/** Undefined when the family is unknown: whether it can be printed is then unknown too. */
export function processNeeds(
  grade: Grade,
  family: Family | undefined,
  filler: Reinforcement | undefined,
): ProcessNeeds | undefined {
  if (!family) return undefined;
  const stated = grade.process;
  const nozzle = stated.nozzleC ?? family.nozzleC;
  const minimumNozzleMm = Math.max(stated.minimumNozzleMm ?? family.minimumNozzleMm, filler?.minimumNozzleMm ?? 0);
  return {
    nozzleC: { low: nozzle.low, mid: (nozzle.low + nozzle.high) / 2 },
    bedLowC: (stated.bedC ?? family.bedC).low,
    enclosure: stated.enclosure ?? family.enclosure,
    chamber: family.chamberC,
    warpTendency1to5: warpTendency(family, filler),
    abrasive: stated.abrasive ?? (family.abrasive || (filler?.abrasive ?? false)),
    minimumNozzleMm,
    // A grade that states its own minimum is printed at that; a filled one that does not wants the wider nozzle.
    recommendedNozzleMm: stated.minimumNozzleMm ?? Math.max(minimumNozzleMm, filler?.recommendedNozzleMm ?? 0),
    directDriveNeeded: family.directDriveNeeded,
    ...softnessOf(grade, family),
    handling: {
      bedHighC: (stated.bedC ?? family.bedC).high,
      bedSurfaces: family.bedSurfaces,
      releaseAgentNeeded: family.releaseAgentNeeded,
      fumes: family.fumes,
      glassTransitionC: family.glassTransitionC,
      amorphous: family.morphology === 'amorphous',
      diametersMm: stated.diametersMm,
    },
  };
}

/** A part so small that it fits every machine: what is asked is the material alone. */
const ANY_PART_MM = { length: 1, width: 1, depth: 1 };

/** Verdict on the machine that suits a grade best, whatever the part. Undefined: no machine, or the family is not known. */
export function bestFitAnywhere(
  grade: Grade,
  machines: readonly Machine[],
  rules: CompanyRules,
): FitVerdict | undefined {
  const needs = processNeeds(grade, findFamily(grade.familyId), findReinforcement(grade.reinforcementId));
  if (!needs) return undefined;
  let best: FitVerdict | undefined;
  for (const machine of machines) {
    const { verdict } = machineFit(needs, machine, ANY_PART_MM, 'XY', rules);
    if (best === undefined || RANK[verdict] < RANK[best]) best = verdict;
  }
  return best;
}

const RANK = { pass: 0, caution: 1, blocker: 2 } as const;

/** Holds one grade against one machine. Every finding says what is short and what would mend it. */
export function machineFit(
  needs: ProcessNeeds,
  machine: Machine,
  extentMm: Record<PartAxis, number>,
  orientation: BuildOrientation,
  rules: CompanyRules,
): MachineFit {
  const box = boxOf(extentMm, BUILT_UP[orientation]);
  return verdictOf(machine, [
    ...materialFindings(needs, machine, rules),
    ...warpFindings(needs, machine, longestOf(box)),
    ...sizeFindings(machine, box),
  ]);
}

/** What a grade needs of a machine whatever the part: the same for every brief, so it may be kept. */
export function materialFindings(needs: ProcessNeeds, machine: Machine, rules: CompanyRules): readonly FitFinding[] {
  return [
    ...hotEndFindings(needs, machine, rules),
    ...bedAndChamberFindings(needs, machine),
    ...nozzleFindings(needs, machine),
    ...handlingFindings(needs, machine),
  ];
}

/** The worst of some findings, and all of them in a sentence. */
export function verdictOf(machine: Machine, findings: readonly FitFinding[]): MachineFit {
  let verdict: FitVerdict = 'pass';
  for (const { verdict: one } of findings) if (RANK[one] > RANK[verdict]) verdict = one;
  const texts = (wanted: FitVerdict) => findings.filter((one) => one.verdict === wanted).map((one) => one.text);
  const said = [...texts('blocker'), ...texts('caution')];
  const summary = say`${machine.name}: ${said.length > 0 ? joined(said, '; ') : 'fits'}`;
  return { machine, verdict, findings, summary };
}

function hotEndFindings(needs: ProcessNeeds, machine: Machine, rules: CompanyRules): FitFinding[] {
  const { low, mid } = needs.nozzleC;
  const findings: FitFinding[] = [];
  if (low > machine.maximumNozzleC) {
    findings.push(
      blocker(say`Needs a nozzle at ${celsius(low)} or more; this one reaches ${celsius(machine.maximumNozzleC)}`),
    );
  } else if (mid > machine.maximumNozzleC) {
    findings.push(
      caution(say`Best at a nozzle of ${celsius(mid)}; this one reaches ${celsius(machine.maximumNozzleC)}`),
    );
  }
  if (machine.hotEndLining !== 'ptfe') return findings;
  const limit = rules.ptfeLimitC;
  if (low > limit) {
    findings.push(
      blocker(
        say`Needs ${celsius(low)} in a PTFE-lined hot end, which gives off toxic fumes above ${celsius(limit)}; fit an all-metal hot end`,
      ),
    );
  } else if (mid > limit) {
    findings.push(
      caution(
        say`Keep the nozzle at ${celsius(limit)} or less: the hot end is PTFE-lined and gives off toxic fumes above that`,
      ),
    );
  }
  return findings;
}

function nozzleFindings(needs: ProcessNeeds, machine: Machine): FitFinding[] {
  const findings: FitFinding[] = [];
  if (needs.abrasive && machine.nozzleMaterial === 'brass') {
    findings.push(blocker('Wears a brass nozzle through; fit a hardened one'));
  }
  if (machine.nozzleDiameterMm < needs.minimumNozzleMm) {
    findings.push(
      blocker(`Needs a nozzle of ${needs.minimumNozzleMm} mm or wider; ${machine.nozzleDiameterMm} mm is fitted`),
    );
  } else if (machine.nozzleDiameterMm < needs.recommendedNozzleMm) {
    findings.push(caution(`Fibre may clog ${machine.nozzleDiameterMm} mm; ${needs.recommendedNozzleMm} mm avoids it`));
  }
  return [...findings, ...driveFindings(needs, machine)];
}

/** Softer than this it buckles in a guide tube however slowly it is fed; up to the other it wants care. Shore A. */
const TUBE_SHORE_A = { least: 80, easy: 95 } as const;

function driveFindings({ shoreA, directDriveNeeded }: ProcessNeeds, { extruder }: Machine): FitFinding[] {
  if (extruder !== 'remote') return [];
  const hardness = shoreA === undefined ? '' : ` (${shoreA} Shore A)`;
  if (shoreA !== undefined && shoreA < TUBE_SHORE_A.least)
    return [blocker(`Too soft for a guide tube${hardness}; needs a direct-drive extruder`)];
  return directDriveNeeded || (shoreA !== undefined && shoreA <= TUBE_SHORE_A.easy)
    ? [caution(`Soft filament${hardness} through a guide tube: feed slowly and retract little, or it buckles`)]
    : [];
}

/** Issues of a part whose box this is on the bed: the same for every grade. */
export function sizeFindings(machine: Machine, box: BoxOnBed): FitFinding[] {
  const { heightMm: height, longMm: long, shortMm: short } = box;
  const bed = [machine.buildVolumeMm.x, machine.buildVolumeMm.y].sort((a, b) => b - a) as [number, number];
  if (height > machine.buildVolumeMm.z) {
    return [blocker(say`Stands ${mm(Math.round(height))} high; this machine builds ${mm(machine.buildVolumeMm.z)}`)];
  }
  if (!fitsRectangle(long, short, bed[0], bed[1])) {
    return [
      blocker(
        say`Footprint ${bare(mm(Math.round(long)))} × ${mm(Math.round(short))} does not fit on ${bare(mm(bed[0]))} × ${mm(bed[1])}`,
      ),
    ];
  }
  return [];
}

/** Issues of a part with continuous strands. */
export const fibreFindings = ({ laysFibre }: Machine): FitFinding[] =>
  laysFibre ? [] : [blocker('Lays no continuous fibre')];

/** Whether p × q (p ≥ q) fits into a × b (a ≥ b), turned if need be. Source: J. E. Wetzel, Mathematics Magazine 73 (2000) 204. */
export function fitsRectangle(p: number, q: number, a: number, b: number): boolean {
  if (p <= a) return q <= b;
  if (q > b) return false;
  return b >= (2 * p * q * a + (p * p - q * q) * Math.sqrt(p * p + q * q - a * a)) / (p * p + q * q);
}
