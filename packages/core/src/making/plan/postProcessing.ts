import type { Agent, Grade, Statement } from '@anvilstone/schema';
import { formatNumber as f, say, celsius, kelvins } from '@anvilstone/core/foundations';
import {
  agents as table,
  fillerEffects,
  annealingOf,
  findFamily,
  type Family,
  findReinforcement,
  type Reinforcement,
} from '@anvilstone/core/materials';

export type TreatmentVerdict = 'works' | 'with care' | 'not suitable' | 'no effect';

/** Something that is done to a finished print. */
export interface Treatment {
  id: string;
  title: string;
  verdict: TreatmentVerdict;
  how: Statement;
  /** What it does to the numbers, in words; empty: nothing. */
  changes: Statement;
  caution: Statement;
}

/**
 * What may be done to a print of a grade, and what wrecks it: annealing, conditioning, solvent bonding, smoothing, inserts, tapped
 * threads, gluing, and the fluids that crack it under tension. By family and filler; typical, evidence class D. Undefined: the
 * family is not known.
 */
export function afterPrinting(grade: Grade, agents: readonly Agent[] = table): Treatment[] | undefined {
  const family = findFamily(grade.familyId);
  if (!family) return undefined;
  const filler = findReinforcement(grade.reinforcementId);
  return [
    annealing(family),
    conditioning(family),
    solventBond(family),
    smoothing(family, filler),
    heatSetInsert(family),
    tappedThread(family, filler),
    gluing(family),
    cleaning(family, agents),
  ];
}

const OVEN =
  'Hot parts burn; a polymer that is overheated gives off fumes: a ventilated oven that is not used for food.';
const FLAMMABLE =
  'Flammable vapour: ventilate, no sparks or heaters, gloves that stand it, goggles; spent solvent as local rules say.';
const CHLORINATED =
  'Chlorinated solvent: harmful to breathe and through the skin, and it passes most gloves. Fume hood and trained people only; many places forbid it.';
/** By the solvents that are named for the family. */
const solventCaution = ({ solvents }: Family) =>
  solvents.slice(0, 2).some((name) => /chloro/i.test(name)) ? CHLORINATED : FLAMMABLE;

function annealing(family: Family): Treatment {
  const found = annealingOf(family);
  const base = { id: 'annealing', title: 'Annealing' };
  if (!found)
    return {
      ...base,
      verdict: 'no effect',
      how: 'The gain does not justify the distortion.',
      changes: '',
      caution: '',
    };
  return {
    ...base,
    verdict: 'with care',
    how: say`${f(found.hours)} h at ${celsius(found.temperatureC)}, in sand or plaster, slowly up and down.`,
    changes: say`Heat limit about ${kelvins(found.hdtGainC)} higher; shrinks by ${f(found.shrinkPct)} %${found.crystallises ? '; crystallises, so that it then carries beyond its glass transition' : ''}. State it in the brief to include it in the checks.`,
    caution: OVEN,
  };
}

function conditioning(family: Family): Treatment {
  const takes = family.impactFactorConditioned > 1.1;
  return {
    id: 'conditioning',
    title: 'Conditioning',
    verdict: takes ? 'works' : 'no effect',
    how: takes
      ? 'In air of 50 % humidity, or weighed over warm water, until it gains no more.'
      : 'It takes up too little water to be tougher by it.',
    changes: takes
      ? `Toughness × ${f(family.impactFactorConditioned)}, stiffness × ${f(family.modulusRetentionConditioned)}, strength × ${f(family.strengthRetentionConditioned)}; it grows. The brief’s moisture says which state counts.`
      : '',
    caution: takes ? 'Hot water scalds; mould grows in warm damp boxes.' : '',
  };
}

const bonds = ({ morphology, solvents }: Family) => morphology === 'amorphous' && solvents.length > 0;

function solventBond(family: Family): Treatment {
  const base = { id: 'solvent-bonding', title: 'Solvent bonding' };
  if (!bonds(family))
    return {
      ...base,
      verdict: 'no effect',
      how: `${family.name} does not dissolve in common solvents: glue, weld or screw it.`,
      changes: '',
      caution: '',
    };
  return {
    ...base,
    verdict: 'works',
    how: `Wet both faces with ${family.solvents.slice(0, 2).join(' or ')}, press, leave for a day.`,
    changes:
      'About the strength of a layer bond at best; none of it is in the checks. Solvent that stays in it softens the joint for days.',
    caution: solventCaution(family),
  };
}

function smoothing(family: Family, filler: Reinforcement | undefined): Treatment {
  const base = { id: 'smoothing', title: 'Smoothing by vapour' };
  if (!bonds(family))
    return {
      ...base,
      verdict: family.morphology === 'amorphous' ? 'no effect' : 'not suitable',
      how: 'A solvent of another polymer does not smooth this one: it crazes it, swells it or makes it brittle.',
      changes: 'Elongation and toughness fall where it crazes.',
      caution: solventCaution(family),
    };
  return {
    ...base,
    verdict: filler ? 'not suitable' : 'with care',
    how: filler
      ? 'The skin melts away and fibre ends stand out.'
      : `Seconds in the vapour of ${family.solvents[0]}, then a day in moving air; what is pulled tight in it cracks.`,
    changes: filler
      ? 'A rough, weaker skin.'
      : 'Edges round, thin walls go soft; layers seal, which helps strength across a little. Not counted.',
    caution: `${solventCaution(family)} Never heat a solvent over a flame or an open heater.`,
  };
}

function heatSetInsert(family: Family): Treatment {
  const base = { id: 'heat-set-insert', title: 'Heat-set inserts' };
  if (family.morphology === 'elastomer')
    return {
      ...base,
      verdict: 'not suitable',
      how: 'It does not hold in something soft: use a nut or a sleeve.',
      changes: '',
      caution: '',
    };
  const tipC = family.meltingC === null ? family.glassTransitionC + 110 : family.meltingC + 25;
  return {
    ...base,
    verdict: 'works',
    how: say`Tip at about ${celsius(tipC, 2)}, pressed in slowly by its own weight, three walls or more around the hole, cooled under a flat block.`,
    changes: 'Pull-out hangs on the walls, not on the infill; creep loosens the screw less than on bare plastic.',
    caution: 'Hot tip; fumes where it melts.',
  };
}

/** Less stretch than this and a thread chips while it is cut, %. */
const THREADS_PCT = 4;

function tappedThread(family: Family, filler: Reinforcement | undefined): Treatment {
  const base = { id: 'tapped-thread', title: 'Tapped threads' };
  if (family.morphology === 'elastomer')
    return { ...base, verdict: 'not suitable', how: 'Too soft to cut or to hold.', changes: '', caution: '' };
  const stretch = family.elongationBreakPct.mid * (fillerEffects(family, filler)?.mechanical.elongationBreak ?? 1);
  const brittle = stretch < THREADS_PCT;
  return {
    ...base,
    verdict: brittle ? 'with care' : 'works',
    how: brittle
      ? 'Chips as it is cut: print the thread or set an insert.'
      : 'Coarse threads, two diameters deep, cut slowly; across the layers they strip a layer at a time.',
    changes: 'Fit for few turnings. Preload creeps away: ask for a bolted flange, and the checks count it.',
    caution: filler ? 'Filled polymer cuts to dust: extract it, mask and gloves.' : '',
  };
}

function gluing(family: Family): Treatment {
  const hard = ['pp', 'pe', 'hdpe', 'pom', 'pvdf'].includes(family.id);
  return {
    id: 'gluing',
    title: 'Gluing',
    verdict: hard ? 'with care' : 'works',
    how: hard
      ? 'Little sticks to it without a primer or flame: weld or screw it.'
      : 'Roughened and degreased with something that does not crack it; epoxy, or methacrylate where it must give.',
    changes: 'The joint may be the weakest point; it is not included in the checks.',
    caution: 'Gloves; uncured adhesive makes skin allergic.',
  };
}

/** What cracks it under tension, so what not to clean or cool it with. */
function cleaning(family: Family, agents: readonly Agent[]): Treatment {
  const cracking = agents.filter(({ ratings }) => ratings[family.id]?.stressCrack === true).map(({ name }) => name);
  return {
    id: 'cleaning',
    title: 'Cleaning and cutting fluids',
    verdict: cracking.length > 0 ? 'with care' : 'works',
    how:
      cracking.length > 0
        ? `Not with what cracks it where it is pulled: ${cracking.slice(0, 5).join(', ')}${cracking.length > 5 ? ` and ${cracking.length - 5} more (see Agents)` : ''}.`
        : 'The tables know nothing that cracks it under tension.',
    changes: 'A fluid in the brief is held against its rating and its cracking.',
    caution: '',
  };
}
