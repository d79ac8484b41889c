import type { CheckResult } from '@anvilstone/schema';
import { everyLoad, type Check, type CheckContext, temperatureReserve } from '@anvilstone/core/checks';
import { FIRST_LOAD, type Condition } from './conditions.ts';
import { heatScatterK, logSpread } from '../probability/scatter.ts';
import { BRITTLE_LUCK, brittleTable, tableOver } from '../probability/scatterTables.ts';

/** Coefficient of variation of what a check of no load rests on, by its evidence. Ours, class D. */
const COV = { A: 0.05, B: 0.1, C: 0.2, D: 0.3 } as const;
/** Of a part's mass, walls and flow; of its price as listed, and as the family's usual. */
const MASS_COV = 0.03;
const COST_COV = { listed: 0.05, usual: 0.2 } as const;

const logOf = (reserve: number) => Math.log(Math.max(1e-9, reserve));

/**
 * A check that is made of the part and not of a load, as a condition: it goes with the grade's heat curve or its modulus where it rests
 * on those, and scatters by itself besides. Undefined: it has no number, so it holds or does not.
 */
export function otherCondition(
  context: CheckContext,
  check: Check,
  result: Pick<CheckResult, 'reserve' | 'evidence' | 'demand' | 'capacity' | 'loadCaseId'>,
  width: number,
  luck: number,
): Condition | undefined {
  const { reserve, evidence, demand, capacity } = result;
  if (reserve === null) return undefined;
  const logReserve = logOf(reserve);
  const slopes = new Float64Array(width);
  const base = { checkId: check.id, logReserve, slopes };
  const byEvidence = COV[evidence ?? 'D'];
  switch (check.scatter) {
    case 'stiffness': {
      // As soft as its modulus comes out, under the load as it comes.
      slopes[0] = 1;
      const load = everyLoad(context.part).findIndex(({ loadCase }) => loadCase.id === result.loadCaseId);
      if (load >= 0) slopes[FIRST_LOAD + load] = -1;
      return base;
    }
    case 'heat': {
      const spreadK = heatScatterK(context.material);
      const heat = tableOver(logReserve, (d) => logOf(temperatureReserve(capacity! + d * spreadK, demand!)));
      return { ...base, heat };
    }
    case 'form': {
      const spreadK = heatScatterK(context.material);
      const heat = tableOver(logReserve, (d) => reserveWith(check, warmer(context, d * spreadK)));
      return { ...base, heat, own: { luck, spread: logSpread(byEvidence) } };
    }
    case 'brittleness':
      return {
        ...base,
        own: { luck: BRITTLE_LUCK, table: brittleTable(context, logReserve, (c) => reserveWith(check, c)) },
      };
    case 'mass':
      return { ...base, own: { luck, spread: logSpread(MASS_COV) } };
    case 'price':
      return {
        ...base,
        own: { luck, spread: logSpread(context.priceIsFamilyEstimate ? COST_COV.usual : COST_COV.listed) },
      };
    default:
      return { ...base, own: { luck, spread: logSpread(byEvidence) } };
  }
}

function reserveWith(check: Check, context: CheckContext): number | undefined {
  const { reserve } = check.evaluate(context);
  return reserve === null ? undefined : logOf(reserve);
}

/** The same grade with its form limit some kelvin higher. */
function warmer(context: CheckContext, byK: number): CheckContext {
  const { material } = context;
  if (!material.behaviour) return context;
  const { form } = material.behaviour;
  const moved = { ...form, continuousC: form.continuousC + byK, peakC: form.peakC + byK };
  return {
    ...context,
    material: { ...material, behaviour: { ...material.behaviour, form: moved } },
    heatLimits: {},
  };
}
