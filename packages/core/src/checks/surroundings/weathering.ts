import type { Brief, EvidenceClass } from '@anvilstone/schema';
import { formatNumber as f, HOURS_PER_YEAR } from '@anvilstone/core/foundations';
import { canonicalValue, type Material, type CompleteRules } from '@anvilstone/core/materials';

/** What years in the open leave of the strength. */
export interface Weathering {
  /** Hours of accelerated weathering that stand for the time outside. */
  acceleratedH: number;
  /** Share of the strength left, 0 … 1; undefined: nothing is known of this polymer. */
  kept: number | undefined;
  evidence: EvidenceClass;
  /** Written when it is asked for: of most grades only the share is wanted. */
  source(): string;
}

const REFERENCE_H = 1000;

/**
 * Share of the strength left after weathering: r^(t/1000), r the share left after 1000 h of accelerated weathering. A year
 * outside the whole time stands for a number of hours that the company rules set. Ours, class D at best for other exposures:
 * lamps, filters and climates differ by a factor of two and more. Retention 0 … 1.3, time ≥ 0 h.
 */
export function shareLeft(retentionPer1000h: number, acceleratedH: number): number {
  return Math.min(1, retentionPer1000h) ** (acceleratedH / REFERENCE_H);
}

/** Undefined when the brief does not ask it to stand in the open. */
export function weatheringOf(brief: Brief, material: Material, rules: CompleteRules): Weathering | undefined {
  const { outdoors } = brief.asks;
  if (!outdoors) return undefined;
  const acceleratedH = rules.weatheringHPerYear * (outdoors.hoursPerYear / HOURS_PER_YEAR) * outdoors.years;
  const own = ownRetention(material);
  if (own)
    return { acceleratedH, kept: shareLeft(own.per1000h, acceleratedH), evidence: own.evidence, source: own.source };
  const { family } = material;
  if (!family) return { acceleratedH, kept: undefined, evidence: 'D', source: () => 'its family is not known' };
  return {
    acceleratedH,
    kept: shareLeft(family.strengthRetentionPer1000hWeathering, acceleratedH),
    evidence: 'D',
    source: () =>
      `${f(100 * family.strengthRetentionPer1000hWeathering)} % left after 1000 h is typical of natural ${family.abbreviation}; stabilisers and black pigment help`,
  };
}

type OwnRetention = Pick<Weathering, 'evidence' | 'source'> & { per1000h: number };

/** The grade's own weathering results, each brought to 1000 h; the worst counts. */
function ownRetention(material: Material): OwnRetention | undefined {
  let worst: OwnRetention | undefined;
  for (const observation of material.grade.observations) {
    const { durationH } = observation;
    if (observation.property !== 'weatheringRetention' || durationH === undefined) continue;
    const reading = canonicalValue(observation, 'weatheringRetention');
    if (!reading.ok) continue;
    const per1000h = (reading.value / 100) ** (REFERENCE_H / durationH);
    if (worst && worst.per1000h <= per1000h) continue;
    const printed = observation.source === 'bench' || observation.specimen === 'printed';
    worst = {
      per1000h,
      evidence: printed ? 'B' : 'C',
      source: () => `${f(reading.value)} % left after ${f(durationH)} h, ${observation.reference}`,
    };
  }
  return worst;
}
