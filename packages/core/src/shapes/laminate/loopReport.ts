import type { CompanyRules, LayupLoop, Statement } from '@anvilstone/schema';
import { InputError, say, mm } from '@anvilstone/core/foundations';
import { nineOfTenFactor, tows, type Tow } from '@anvilstone/core/materials';
import { loopStrength } from './loop.ts';

/** Strands that run round holes or along walls: what they bear, weigh and cost. */
export interface LoopReport {
  name: string;
  towName: string;
  /** As asked. */
  laid: LayupLoop;
  /** In plain sentences why it cannot be laid so; empty: it can. */
  problems: readonly Statement[];
  /** Share of the strength that the innermost bend leaves. */
  bendFactor: number;
  /** Both legs of all strands together, on the company’s basis for strengths; 0 where it cannot be laid. */
  bearsN: number;
  /** Of what it bears over the pull; null: no pull is stated. */
  reserve: number | null;
  /** By which it gets longer under the pull, mm. */
  stretchMm: number | null;
  /** Beside each other and over each other. */
  packWidthMm: number;
  packHeightMm: number;
  lengthMm: number;
  massG: number;
  costUsd: number;
}

/**
 * The two legs along the pull carry it; bends take from their strength what the radius of the innermost strand leaves. Stretch
 * F·L/(2·n·A·E₁), L half of the way round. What brings the pull into the bend (the pin, the wall it bears on) is not in it.
 * @throws InputError a strand that is not in the table
 */
export function loopReport(loop: LayupLoop, rules: CompanyRules): LoopReport {
  const tow = tows.find(({ id }) => id === loop.towId);
  if (!tow) throw new InputError('loops/towId', loop.towId, tows.map(({ id }) => id).join(', '));
  const { turns, layers, apartMm, acrossMm = 0, pullN } = loop;
  const strands = turns * layers;
  const strandMm2 = tow.beadWidthMm * tow.beadHeightMm;
  const innermostMm = loop.radiusMm + tow.beadWidthMm / 2;
  const meanMm = loop.radiusMm + (turns * tow.beadWidthMm) / 2;
  const onceMm = 2 * (apartMm + acrossMm) + 2 * Math.PI * meanMm;
  const lengthMm = strands * onceMm;
  // Every layer is laid in one go and cut once.
  const usedMm3 = (lengthMm + layers * tow.waste.perCutMm) * strandMm2;
  const problems = problemsOf(tow, innermostMm, onceMm * turns);
  const basis =
    rules.strengthBasis === 'b-basis' ? nineOfTenFactor((tow.covByPropertyPct.xt ?? tow.covTypicalPct) / 100) : 1;
  const strength = problems.length === 0 ? loopStrength(tow, innermostMm, strands) : undefined;
  const bearsN = (strength?.loopN ?? 0) * basis;
  return {
    name: loop.name,
    towName: tow.name,
    laid: loop,
    problems,
    bendFactor: strength?.bendFactor ?? 0,
    bearsN,
    reserve: pullN === undefined || pullN === 0 ? null : bearsN / pullN,
    stretchMm: pullN === undefined ? null : (pullN * onceMm) / 2 / (2 * strands * strandMm2 * tow.e1Mpa),
    packWidthMm: turns * tow.beadWidthMm,
    packHeightMm: layers * tow.beadHeightMm,
    lengthMm,
    massG: (lengthMm * strandMm2 * tow.densityGPerCm3) / 1000,
    costUsd: (usedMm3 / 1000) * tow.pricePerCm3Usd,
  };
}

const problemsOf = (tow: Tow, innermostMm: number, laidMm: number): Statement[] => [
  ...(innermostMm < tow.minimumBendRadiusMm
    ? [
        say`Its innermost bend has a radius of ${mm(innermostMm)}; ${mm(tow.minimumBendRadiusMm)} or more is needed: a tighter strand lifts or breaks`,
      ]
    : []),
  ...(laidMm < tow.minimumLengthMm
    ? [say`A layer of it is ${mm(laidMm)} long; the cutter needs ${mm(tow.minimumLengthMm)}`]
    : []),
];
