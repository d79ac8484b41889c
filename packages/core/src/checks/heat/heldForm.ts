import { formatNumber as f, say, celsius, kelvins, ROOM_C } from '@anvilstone/core/foundations';
import { formLimitAfter } from '@anvilstone/core/materials';
import type { CaseCheck } from '../engine/check.ts';
import { temperatureReserve } from './temperatureReserve.ts';

/** A load this warm is asked whether the part still has its shape, °C; cooler, every filament has. */
const WARM_C = 35;

/**
 * Whatever the load: from its form limit on, a printed part loses its shape by the stress that is in it from printing. With the loads
 * that act when it is hot this is one of the things that make up its service temperature limit.
 */
export const heldForm: CaseCheck = {
  id: 'form-limit',
  title: 'Form limit',
  asks: 'Does it keep its shape at the load’s temperature, whatever the stress?',
  failsAs: 'softened',
  unit: '°C',
  words: ['Service temperature', 'form limit'],
  limitsHeat: true,
  appliesTo: () => true,
  asksOnlyWarm: ({ loadCase }) => loadCase.temperatureC >= WARM_C,
  at({ material }, _load, temperatureC, durationH, working) {
    if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
    const { form, solidity } = material.behaviour;
    const limitC = formLimitAfter(form, durationH);
    if (working) {
      working.add('', 'Basis of the form limit', SOLIDITY[solidity], '', { source: form.basis });
      working.add('T_form', 'Form limit for good, and for an hour', form.continuousC, '°C', {
        expression: say`${celsius(form.continuousC)} from 1000 h on, ${celsius(form.peakC)} for 1 h, straight in log t between`,
        source: 'distances from Tg, softening or melting typical of the state: measure it on a print in an oven',
      });
      working.add('T_form(t)', `Form limit for ${f(durationH)} h`, limitC, '°C');
      const distance = say`(${celsius(limitC)} − ${celsius(temperatureC)}) / max(${kelvins(10)}, ${celsius(temperatureC)} − ${celsius(ROOM_C)})`;
      working.add('', 'Reserve factor', say`1 + ${distance}`, '');
    }
    return {
      kind: 'known',
      demand: temperatureC,
      capacity: limitC,
      reserve: temperatureReserve(limitC, temperatureC),
      evidence: form.evidence,
      ...(limitC < temperatureC ? { reason: say`Loses its shape from ${celsius(limitC)}, whatever it carries` } : {}),
    };
  },
};

const SOLIDITY = {
  amorphous: 'glass: it is amorphous as it is used',
  crystallised: 'its crystals',
  elastomer: 'the hard phase of an elastomer',
} as const;
