import { reinforcementOf } from '../engine/reinforced.ts';
import { formatNumber as f, type Working, say, celsius, joined } from '@anvilstone/core/foundations';
import { nineOfTenFactor } from '@anvilstone/core/materials';
import {
  strandStrength,
  stiffened,
  stiffenedPulled,
  type Reinforcement,
  ACTION_SYMBOL,
  ACTION_UNIT,
} from '@anvilstone/core/shapes';
import { judged } from '../engine/outcome.ts';
import { actingAt, isDriven, strengthHours } from '../engine/action.ts';
import type { CaseCheck, CaseOutcome, Check, CheckContext, PreparedLoad } from '../engine/check.ts';

/**
 * Bending and pull of the place that is stressed most, MPa per unit of the action; concentrations end at the surface and do
 * not reach the strands.
 */
function nominalPerUnit({ response }: PreparedLoad): { bent: number; pulled: number } {
  let worst = { bent: 0, pulled: 0 };
  for (const { id, bentShare, tensionPerUnit, concentration } of response.places) {
    if (bentShare === undefined || id === 'core') continue;
    const nominal = tensionPerUnit / concentration;
    if (nominal > worst.bent + worst.pulled) worst = { bent: nominal * bentShare, pulled: nominal * (1 - bentShare) };
  }
  return worst;
}

const direction = (load: PreparedLoad) => load.loadCase.direction ?? 'depth';

/**
 * Tension and compression along the strands: their strain is that of the print beside them, their modulus holds while the
 * print’s falls with heat and time. The weaker of both strengths counts, since one face is pulled and the other squeezed.
 */
export const fibreStrength: CaseCheck = {
  id: 'fibre-strength',
  title: 'Fibre stress',
  asks: 'Do the strands carry the tension and compression at their faces?',
  failsAs: 'torn',
  testedBy: ['break-part'],
  breaksUnder: 'force',
  unit: 'MPa',
  limitsHeat: true,
  appliesTo: (load, _body) => !isDriven(load) && load.fibre === true,
  at(context, load, temperatureC, durationH, working) {
    const found = strandStress(context, load, temperatureC, durationH);
    if ('kind' in found) return found;
    const { tow } = context.part.fibre!;
    if (working) showStrands(working, context, load, found);
    const hot = temperatureC > tow.maxServiceCompressionC;
    return {
      kind: 'known',
      demand: found.stressMPa,
      // Nothing is known of it above: unknown is no strength.
      capacity: hot ? 0 : found.capacityMPa,
      evidence: 'D',
      placeId: 'strands',
      ...(hot
        ? { reason: say`Its matrix holds the strand straight only to ${celsius(tow.maxServiceCompressionC)}` }
        : {}),
    };
  },
};

function showStrands(working: Working, context: CheckContext, load: PreparedLoad, found: StrandStress): void {
  const { tow } = context.part.fibre!;
  const { reinforcement: r, action, share } = found;
  working.add('', 'Strand', tow.name, '');
  working.add(ACTION_SYMBOL[context.body.action], load.loadCase.name, action, ACTION_UNIT[context.body.action]);
  const { bent, pulled } = nominalPerUnit(load);
  working.add('σ₀', 'Bending stress of the print alone, without concentration', bent * action, 'MPa');
  if (pulled > 0) {
    working.add('σ₁', 'Pull of the print alone', pulled * action, 'MPa');
    working.add('a', 'Share of the strands in the area', r.areaShare, '×');
  }
  working.add('E_f', 'Modulus along the strand', r.strandMPa, 'MPa', { source: 'typical of the strand' });
  working.add('E', 'Modulus of the print, 23 °C', r.printMPa, 'MPa');
  working.add('e', 'What heat and time leave of it', share, '×');
  working.add('s', 'Share of the strands in the second moment', r.secondMomentShare, '×');
  working.add('c_f/c', 'Edge of the strands over the outer fibre', r.edgeShare, '×');
  working.add('σ_f', 'Stress along the strands', found.stressMPa, 'MPa', {
    expression: `σ₀ · (c_f/c) · E_f / (E · e · (1 − s) + E_f · s)${pulled > 0 ? ' + σ₁ · E_f / (E · e · (1 − a) + E_f · a)' : ''}`,
    source: 'transformed section',
  });
  working.add('X', 'Strength along the strands', Math.min(tow.xtMpa, tow.xcMpa), 'MPa', {
    source: `the weaker of tension ${f(tow.xtMpa)} and compression ${f(tow.xcMpa)}, typical`,
  });
  working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
}

/** There is nothing to say, and why. */
type Nothing = Exclude<CaseOutcome, { kind: 'known' }>;

interface StrandStress {
  stressMPa: number;
  capacityMPa: number;
  reinforcement: Reinforcement;
  action: number;
  /** Modulus of the print over that at 23 °C. */
  share: number;
}

function strandStress(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  durationH: number,
): StrandStress | Nothing {
  const { part, material, rules } = context;
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const reinforcement = reinforcementOf(part, material, direction(load));
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  if (!reinforcement) return { kind: 'not-loaded' };
  const share =
    material.modulusRatio(temperatureC) / material.creepGrowth(temperatureC, strengthHours(load, durationH));
  const { edgeShare, strandMPa, printMPa } = reinforcement;
  const { bent, pulled } = nominalPerUnit(load);
  const perPrint =
    (bent * edgeShare) / stiffened(reinforcement, share) + pulled / stiffenedPulled(reinforcement, share);
  const stressMPa = (acting.action * perPrint * strandMPa) / printMPa;
  const { strengthMPa, cov } = strandStrength(part.fibre!.tow);
  const basis = rules.strengthBasis === 'b-basis' ? nineOfTenFactor(cov) : 1;
  return {
    stressMPa,
    capacityMPa: (strengthMPa * basis) / load.loadCase.safetyFactor,
    reinforcement,
    action: acting.action,
    share,
  };
}

/** Shear between the strands and the print around them: what the strands bear has to come into them. */
export const fibreBond: CaseCheck = {
  id: 'fibre-bond',
  title: 'Fibre bond',
  asks: 'Does the bond between strands and print carry the shear?',
  failsAs: 'layers-parted',
  testedBy: ['break-part'],
  breaksUnder: 'force',
  unit: 'MPa',
  limitsHeat: true,
  appliesTo: (load) => !isDriven(load) && load.fibre === true,
  at(context, load, temperatureC, durationH, working) {
    const found = bondShear(context, load, temperatureC, durationH);
    if ('kind' in found) return found;
    if (working) {
      working.add('V', 'Force across the part', found.forceN, 'N');
      working.add('τ', 'Shear between strands and print', found.shearMPa, 'MPa', {
        expression: 'V · (E_f/E) · A_f · d / (I* · b)',
        source: 'V·Q/(I·b) of the transformed section',
      });
      working.add('τ₀', 'Weaker of the layers’ shear strength and the strand’s own', found.strengthMPa, 'MPa');
      working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
    }
    return { kind: 'known', demand: found.shearMPa, capacity: found.capacityMPa, evidence: 'D', placeId: 'strands' };
  },
};

interface BondShear {
  shearMPa: number;
  capacityMPa: number;
  strengthMPa: number;
  forceN: number;
}

function bondShear(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  durationH: number,
): BondShear | Nothing {
  const { part, material } = context;
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const reinforcement = reinforcementOf(part, material, direction(load));
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  if (!reinforcement) return { kind: 'not-loaded' };
  const own = material.layerShear;
  if (!own.known) return { kind: 'unknown', gaps: own.gaps };
  const { strandMPa, printMPa, bondPerForce } = reinforcement;
  const forceN = load.response.shearForcePerUnit * acting.action;
  const shearMPa = (forceN * bondPerForce * strandMPa) / (printMPa * stiffened(reinforcement));
  const strengthMPa = Math.min(own.value, part.fibre!.tow.interlaminarShearMpa);
  const factor = material.strengthFactor(temperatureC, strengthHours(load, durationH)) / load.loadCase.safetyFactor;
  return { shearMPa, capacityMPa: strengthMPa * factor, strengthMPa, forceN };
}

/** Whether the strands can lie as asked: within layers, long enough, with room. */
export const fibreLaid: Check = {
  id: 'fibre-laid',
  title: 'Fibre placement',
  asks: 'Can strands be laid along the part in this orientation?',
  applies: ({ brief }) => brief.fibre !== undefined,
  evaluate({ part }, working) {
    const fibre = part.fibre!;
    working?.add('', 'Strand', fibre.tow.name, '');
    if (fibre.problems.length === 0) {
      working?.add('n', 'Strands in all', fibre.strands, '');
      working?.add('A_f', 'Their area together', fibre.areaMm2, 'mm²');
      working?.add('', 'Length laid', fibre.lengthMm / 1000, 'm');
    }
    for (const problem of fibre.problems) working?.add('', 'Stands in the way', problem, '');
    const laid = `${fibre.strands} strands, half in each face`;
    return fibre.problems.length === 0 ? judged('pass', 'D', laid) : judged('fail', 'D', joined(fibre.problems, '; '));
  },
};
