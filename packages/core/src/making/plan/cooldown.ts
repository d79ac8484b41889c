import type { Brief } from '@anvilstone/schema';
import { preparePart } from '@anvilstone/core/evaluation';
import { formatNumber as f, duration, say, kelvins, mm, celsius } from '@anvilstone/core/foundations';
import {
  waterDiffusionMm2PerH,
  timeToFraction,
  chamberCrystallisesC,
  annealingOf,
  type Family,
} from '@anvilstone/core/materials';
import type { CardLine } from './cardLine.ts';
import type { CardSetting } from './cardSetting.ts';

/** Cooling, annealing and conditioning of a finished print. */
export const afterwards = (setting: CardSetting): CardLine[] => [
  coolLine(setting),
  ...annealLines(setting),
  ...conditionLines(setting),
];

const WARPS = 3;

function coolLine({ family, needs, machine }: CardSetting): CardLine {
  const coolC = Math.min(45, Math.max(30, family.glassTransitionC - 25));
  const slow = needs.warpTendency1to5 >= WARPS || machine.enclosure === 'heated';
  return {
    id: 'cool-down',
    title: 'Cool down',
    value: slow ? say`on the bed, door shut, to ${celsius(coolC)}` : 'off the bed when it lets go',
    why: slow
      ? 'Taken off warm, it warps in the hand; stress that cools in evenly does less harm'
      : 'It warps little; a cool bed lets go by itself',
    from: 'family',
  };
}

function annealLines({ brief, family, machine }: CardSetting): CardLine[] {
  const annealing = annealingOf(family);
  if (!annealing) return [];
  const temperature = celsius(annealing.temperatureC);
  const larger = 100 * (1 / (1 - annealing.shrinkPct / 100) - 1);
  const chamberC = chamberCrystallisesC(family);
  if (brief.crystallisedInChamber && chamberC !== null && (machine.maximumChamberC ?? 0) >= chamberC)
    return [
      {
        id: 'crystallise',
        title: 'Crystallise',
        value: say`in the chamber while it prints, at ${celsius(chamberC)} or more`,
        why: `The brief counts on it: amorphous it keeps less of its stiffness and form; an oven afterwards would distort it by about ${f(annealing.shrinkPct)} %`,
        from: 'family',
      },
    ];
  const line = {
    id: 'anneal',
    title: 'Anneal',
    from: 'family' as const,
    value: say`${f(annealing.hours)} h at ${temperature}, slowly up and down`,
  };
  return brief.annealed
    ? [
        {
          ...line,
          why: `The brief counts on it. Draw the part ${f(larger, 2)} % larger: it shrinks, and differently up and along. In sand or plaster it keeps its shape`,
          mind: true,
        },
      ]
    : [
        {
          ...line,
          value: 'not required',
          why: say`${line.value} would lift its heat limit by some ${kelvins(annealing.hdtGainC)} and shrink it by ${f(annealing.shrinkPct)} %`,
        },
      ];
}

/** Less water than this changes nothing that one notices, %. */
const NOTICEABLE_WATER_PCT = 1;
const ENOUGH = 0.9;

/** What dissolves in water is kept dry and washed away, not conditioned. */
const isConditioned = ({ moisture }: Pick<Brief, 'moisture'>, { morphology, waterAt23C50RhPct }: Family) =>
  moisture !== 'dry' && morphology !== 'support' && waterAt23C50RhPct >= NOTICEABLE_WATER_PCT;

/** Until the thinnest wall holds nine tenths of its water, h (Fick). */
const conditioningH = (family: Family, thinnestMm: number, temperatureC: number) =>
  timeToFraction(thinnestMm, waterDiffusionMm2PerH(family.sorptionHalfTime2mmH, temperatureC), ENOUGH);

/** Over warm water it goes several times as fast as in the air of a room, °C. */
const WARM_WATER_C = 60;

/** Hours from the last print to a part that may be used: the annealing and the conditioning, over warm water, that the brief counts on. */
export function afterPrintingH(brief: Brief, family: Family): number {
  const annealing = brief.annealed ? annealingOf(family) : undefined;
  const conditioned = isConditioned(brief, family);
  return (
    (annealing?.hours ?? 0) +
    (conditioned ? conditioningH(family, preparePart(brief).body.thinnestMm, WARM_WATER_C) : 0)
  );
}

function conditionLines({ brief, family }: CardSetting): CardLine[] {
  if (!isConditioned(brief, family)) return [];
  const { thinnestMm } = preparePart(brief).body;
  const at = (temperatureC: number) => conditioningH(family, thinnestMm, temperatureC);
  return [
    {
      id: 'condition',
      title: 'Condition before use',
      value: `${duration(at(23))} in air at 50 % humidity`,
      why: say`Fresh from the printer it is dry: brittle, and smaller than it will be. ${mm(thinnestMm)} of wall take as long for nine tenths of their ${f(family.waterAt23C50RhPct)} % of water; over water at ${celsius(WARM_WATER_C)} about ${duration(at(WARM_WATER_C))}, watched by weight`,
      from: 'family',
      mind: true,
    },
  ];
}
