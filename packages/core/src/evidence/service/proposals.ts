import { findCheck } from '@anvilstone/core/checks';
import { evaluate, printStateOf } from '@anvilstone/core/evaluation';
import {
  formatNumber as f,
  HOURS_PER_YEAR,
  say,
  mm,
  megapascals,
  celsius,
  newtons,
  inWords,
} from '@anvilstone/core/foundations';
import { goodmanWeight, prepareMaterial, completeRules } from '@anvilstone/core/materials';
import { builtAs, lifeCycles } from '@anvilstone/core/shapes';
import type { Brief, Installation, Observation, ServiceFinding, Statement } from '@anvilstone/schema';
import { askedTemperatures, compareFinding, predictedBreakN, loadOf } from './comparison.ts';
import { BRIEF_PROPOSERS } from './briefProposals.ts';
import type { ServiceInputs } from './grounds.ts';
import type { Proposer, ServiceProposal, Situation } from './proposal.ts';

export type { ServiceProposal } from './proposal.ts';

/**
 * What a finding says about the evidence, the company rules and the brief. Where the part saw more than it was asked for, only the brief is at
 * fault and no evidence is proposed; otherwise what was measured is worked back through the part’s model, whose own error is then in it.
 * @throws InputError as `evaluate` does
 */
export function proposalsFrom(
  finding: ServiceFinding,
  installation: Installation,
  grounds: ServiceInputs,
): ServiceProposal[] {
  const comparison = compareFinding(finding, installation, grounds);
  const { brief, grade, rules } = grounds;
  const material = prepareMaterial(grade, brief.moisture, completeRules(rules), false, printStateOf(brief));
  const situation = { finding, installation, grounds, comparison, material };
  const fromBrief = BRIEF_PROPOSERS.flatMap((propose) => propose(situation));
  if (comparison.verdict === 'beyond-brief' || finding.state === 'sound') return fromBrief;
  const own = finding.modeId === undefined ? [] : (BY_MODE[finding.modeId]?.flatMap((one) => one(situation)) ?? []);
  return [...own, ...fromBrief];
}

/** The same finding is the same observation: taken again, it takes the place of what was taken before. */
export const observationIdOfFinding = ({ id }: Pick<ServiceFinding, 'id'>): string => `service-${id}`;

function observation(
  { finding, installation, grounds }: Situation,
  value: Pick<Observation, 'property' | 'unit'> & Partial<Observation>,
  note: Statement,
): Observation {
  return {
    id: observationIdOfFinding(finding),
    count: 1,
    source: 'bench',
    method: 'Seen in service',
    specimen: 'printed',
    conditioning: grounds.brief.moisture,
    reference: `In service: ${installation.mark}, ${installation.place}`.slice(0, 200),
    date: finding.at.slice(0, 10),
    note: `${inWords(note)} One part in service, back-calculated through the model of “${grounds.brief.title}”, whose own error is in it.`,
    ...value,
  };
}

const COOLER_K = 2;

/** δ = δ₀·growth: as much more movement as predicted is as much more growth; its creep modulus is E(T) over that. */
const creepFromMovement: Proposer = (situation) => {
  const { finding, grounds, comparison, material } = situation;
  const moved = comparison.rows.find(({ id }) => id === 'moved');
  const load = loadOf(finding, grounds.brief);
  if (!moved?.predicted || !load || !material.behaviour || !material.modulus.inPlane.known) return [];
  // What stayed cooler than its brief asks has moved less for that reason: it must not speak for the grade at the brief’s temperature.
  const { hottestC } = finding.measured;
  if (hottestC !== undefined && hottestC < load.temperatureC - COOLER_K) return [];
  const hours = comparison.hoursInService;
  const growth = material.creepGrowth(load.temperatureC, hours) * (moved.found / moved.predicted);
  const modulusMPa = (material.modulus.inPlane.value * material.modulusRatio(load.temperatureC)) / growth;
  return [
    {
      kind: 'evidence',
      says: say`It moved ${mm(moved.found)} in ${f(hours)} h where ${mm(moved.predicted)} was predicted: a creep modulus of ${megapascals(modulusMPa)} at ${celsius(load.temperatureC)}.`,
      observation: observation(
        situation,
        {
          property: 'creepModulus',
          value: Number(modulusMPa.toPrecision(4)),
          unit: 'MPa',
          orientation: 'XY',
          temperatureC: load.temperatureC,
          durationH: Number(hours.toPrecision(5)),
        },
        say`Moved ${mm(moved.found)} where ${mm(moved.predicted)} was predicted.`,
      ),
    },
  ];
};

/** What it broke under, beside what it should have: its strength in the same proportion. */
const strengthFromLoad: Proposer = (situation) => {
  const { finding, grounds, material } = situation;
  const loadN = finding.measured.loadN;
  const predicted = loadN === undefined ? undefined : predictedBreakN(finding, grounds);
  if (loadN === undefined || !predicted) return [];
  const across = predicted.checkId === 'strength-across-layers';
  if (!across && predicted.checkId !== 'strength-in-plane') return [];
  const strength = material.property('tensileStrength', across ? 'across' : 'in-plane');
  if (!strength.known) return [];
  const share = loadN / predicted.value;
  return [
    {
      kind: 'evidence',
      says: say`It broke under ${newtons(loadN)} where ${newtons(predicted.value)} was predicted: a strength of ${megapascals(strength.value * share)}. One part alone does not outweigh a data sheet; three do.`,
      observation: observation(
        situation,
        {
          property: 'tensileStrength',
          value: Number((strength.value * share).toPrecision(4)),
          unit: 'MPa',
          orientation: across ? 'ZX' : 'XY',
        },
        say`Broke under ${newtons(loadN)} where ${newtons(predicted.value)} was predicted.`,
      ),
    },
    ...(share < 1 ? lowered(situation, 'datasheetStrengthFactor', share, 'Lower data-sheet strength factor') : []),
  ];
};

/** The amplitude that its load puts on it is one that it did not survive for as many times. */
const fatigueFromCycles: Proposer = (situation) => {
  const { finding, grounds, material } = situation;
  const { cycles } = finding.measured;
  const { brief, entry } = grounds;
  const check = entry.checks.find(({ checkId }) => checkId === 'fatigue-life');
  const load = brief.loadCases.find(({ id }) => id === (finding.loadCaseId ?? check?.loadCaseId));
  if (cycles === undefined || typeof check?.demand !== 'number' || !load || !material.behaviour) return [];
  const ratio = load.stressRatio ?? 0;
  const askedCycles = lifeCycles(load, brief.asks) ?? 1;
  const largestMPa = check.demand / goodmanWeight(material.behaviour.fatigue.law, askedCycles, ratio);
  const amplitudeMPa = (largestMPa * (1 - ratio)) / 2;
  return [
    {
      kind: 'evidence',
      says: say`It cracked after ${f(cycles)} times at an amplitude of ${megapascals(amplitudeMPa)}; it was asked for ${f(askedCycles)}.`,
      observation: observation(
        situation,
        {
          property: 'fatigueStrength',
          value: Number(amplitudeMPa.toPrecision(4)),
          unit: 'MPa',
          orientation: 'XY',
          cycles,
          stressRatio: ratio,
        },
        `Cracked after ${f(cycles)} times.`,
      ),
    },
  ];
};

const ratingFromContact: Proposer = (situation) => {
  const { finding, comparison, material, grounds } = situation;
  const agentId =
    finding.agentId ?? (grounds.brief.asks.fluids?.length === 1 ? grounds.brief.asks.fluids[0]!.agentId : undefined);
  const { stressCrackStrainPct } = material.rules;
  const lower = lowered(situation, 'stressCrackStrainPct', 0.7, 'Lower stress-cracking strain');
  if (agentId === undefined || stressCrackStrainPct === undefined) return lower;
  const rating = finding.state === 'failed' ? 'unsuitable' : 'limited';
  return [
    {
      kind: 'evidence',
      says: `After ${f(comparison.hoursInService)} h with the fluid it is ${rating === 'unsuitable' ? 'cracked' : 'marked'}: rated “${rating}” in it.`,
      observation: observation(
        situation,
        {
          property: 'chemicalResistance',
          classValue: rating,
          unit: '-',
          agentId,
          durationH: Number(comparison.hoursInService.toPrecision(5)),
          temperatureC: finding.measured.hottestC ?? askedTemperatures(grounds.brief).hottestC,
        },
        'Seen on the part where the fluid stood under load.',
      ),
    },
    ...lower,
  ];
};

/** A year in the open stands for as much more lamp as it lasted less long than asked. */
const weatherFromYears: Proposer = ({ grounds, comparison, material, finding }) => {
  const asked = grounds.brief.asks.outdoors?.years;
  const lived = comparison.hoursInService / HOURS_PER_YEAR;
  const was = completeRules(material.rules).weatheringHPerYear;
  if (asked === undefined || finding.state !== 'failed' || !(lived > 0) || lived >= asked) return [];
  const value = Math.min(8784, Math.round(was * Math.min(3, asked / lived)));
  return value === was
    ? []
    : [
        {
          kind: 'rule',
          says: `It lasted ${f(lived, 2)} of ${f(asked)} years: a year in the open counted as more hours of lamp.`,
          ruleId: 'weatheringHPerYear',
          was,
          value,
        },
      ];
};

function lowered(
  { material }: Situation,
  ruleId: 'datasheetStrengthFactor' | 'stressCrackStrainPct' | 'fibreAcrossLayersFactor',
  share: number,
  words: string,
): ServiceProposal[] {
  const was = completeRules(material.rules)[ruleId];
  const value = Number(Math.max(0.05, was * share).toPrecision(2));
  return value >= was
    ? []
    : [{ kind: 'rule', says: `${words}: ${f(value)} in place of ${f(was)}, for every grade.`, ruleId, was, value }];
}

const fibreAcross: Proposer = (situation) =>
  situation.material.filler
    ? lowered(situation, 'fibreAcrossLayersFactor', 0.8, 'Lower interlayer strength factor for filled grades')
    : [];

const test =
  (methodId: string, says: string): Proposer =>
  () => [{ kind: 'test', methodId, says }];

/** By failure mode; the next one is one entry here. */
const BY_MODE: Readonly<Record<string, readonly Proposer[]>> = {
  sagged: [creepFromMovement, test('sag-48h', 'Creep test (48 h) on bars of this grade.')],
  'lost-hold': [test('sag-48h', 'Creep test: it also gives the relaxation.')],
  'fatigue-crack': [fatigueFromCycles],
  'layers-parted': [strengthFromLoad, fibreAcross, test('pull-bar', 'Tensile test on upright bars.')],
  torn: [strengthFromLoad, test('pull-bar', 'Tensile test on bars of the same spool.')],
  buckled: [strengthFromLoad],
  shattered: [test('pendulum-notched', 'Notched impact test at the lowest temperature seen.')],
  softened: [test('heat-ladder', 'Stepwise heating of a bar under load.')],
  crazed: [ratingFromContact, test('soak', 'Immersion of strained bars in the fluid.')],
  weathered: [weatherFromYears],
  worn: [test('rub', 'Sliding wear test against the mating material.')],
};

const MOST_TITLE = 200;

/**
 * A brief for what takes a failed part’s place: the old one with what it saw beyond it, and the lesson at its head.
 */
export function replacementBrief(
  finding: ServiceFinding,
  installation: Installation,
  grounds: ServiceInputs,
  current: Brief,
): { brief: Brief; says: Statement[] } {
  const changes = proposalsFrom(finding, installation, grounds).filter((one) => one.kind === 'brief');
  const changed = changes.reduce((brief, { change }) => change(brief), current);
  const { template: _none, ...rest } = changed;
  const lesson = [
    `${installation.mark}, ${installation.place}, ${grounds.grade.name} built ${builtAs(grounds.brief.part, grounds.orientation)}: ${finding.text}`,
    finding.lesson ?? '',
  ]
    .filter(Boolean)
    .join('\n');
  return {
    brief: {
      ...rest,
      title: `${current.title}, after ${installation.mark}`.slice(0, MOST_TITLE),
      lessons: [
        ...(current.lessons ?? []).slice(-19),
        { text: lesson.slice(0, 4000), partId: installation.partId, findingId: finding.id },
      ],
    },
    says: changes.map(({ says }) => says),
  };
}

/** Reserve of the checks that should have predicted it, before and after an observation is taken in. */
export function afterEvidence(
  grounds: ServiceInputs,
  taken: Observation,
): { checkId: string; title: string; before: number | null; after: number | null }[] {
  const { brief, grade, orientation, library, rules, entry } = grounds;
  const held: Brief = { ...brief, asks: { ...brief.asks, orientations: [orientation] } };
  const observations = [...grade.observations.filter(({ id }) => id !== taken.id), taken];
  const [own] = evaluate(held, { ...library, grades: [{ ...grade, observations }] }, { rules }).grades;
  return entry.checks.flatMap(({ checkId, reserve }) => {
    const after = own?.best.checks.find((one) => one.checkId === checkId)?.reserve ?? null;
    if (reserve === after || (reserve !== null && after !== null && Math.abs(reserve - after) < 0.005)) return [];
    return [{ checkId, title: findCheck(checkId)?.title ?? checkId, before: reserve, after }];
  });
}
