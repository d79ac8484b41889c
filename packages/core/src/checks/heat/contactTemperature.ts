import type { Statement } from '@anvilstone/schema';
import { inSentence, formatNumber as f, bisect, say, celsius } from '@anvilstone/core/foundations';
import { fillerEffects } from '@anvilstone/core/materials';
import { builtUpTemperatureC, effusivity } from '@anvilstone/core/shapes';
import type { Check, CheckContext } from '../engine/check.ts';
import { temperatureReserve } from './temperatureReserve.ts';
import { known, unknown, weakest } from '../engine/outcome.ts';
import { worstAfter } from './checksUnderLoad.ts';
import { ownHeatLimit } from './ownHeatLimit.ts';

/**
 * The face reaches the temperature at which the two bodies' heat flows meet, not that of the hot one. The part must still
 * do its work there for the sum of all touches.
 */
export const contactTemperature: Check = {
  id: 'contact-temperature',
  title: 'Hot contact',
  asks: 'Does its face withstand the contact temperature for the required number of contacts?',
  failsAs: 'softened',
  testedBy: ['heat-ladder'],
  scatter: 'heat',
  applies: ({ body }) => body.contact !== undefined,
  evaluate(context, working) {
    const contact = context.body.contact!;
    const face = faceTemperature(context);
    if ('gaps' in face) return unknown('°C', face.gaps);
    const limit = ownHeatLimit(context, contact.totalH);
    if ('gaps' in limit) return unknown('°C', limit.gaps);
    const { first, loadCaseId, evidence } = limit.decides();
    if (working) {
      working.add('e', 'Effusivity of the grade', face.effusivity, 'W·√s/(m²·K)', {
        source: '√(k·ρ·c); k through the layers, k and c typical of the family',
      });
      working.add('e₀', 'Effusivity of the other body', contact.otherEffusivity, 'W·√s/(m²·K)', {
        source: 'Incropera, app. A, rounded',
      });
      working.add('T_face', 'Contact temperature', face.temperatureC, '°C', {
        expression: say`(${f(face.effusivity)} · ${celsius(contact.ownTemperatureC)} + ${f(contact.otherEffusivity)} · ${celsius(contact.otherTemperatureC)}) / (${f(face.effusivity)} + ${f(contact.otherEffusivity)})`,
        source: 'Carslaw & Jaeger, section 2.15',
      });
      working.add('t', 'Total contact time', contact.totalH, 'h');
      const life = touchesItLasts(context, face.temperatureC);
      working.add(
        'N',
        'Contacts until the first check governs at that temperature',
        life.capped ? `more than ${f(MOST_TOLD * contact.touches)}` : life.count,
        '',
        {
          expression: `${f(contact.touches)} are asked; ${life.capped ? 'further the law of creep is not carried' : `${f(life.count * contact.touchH, 3)} h of contact`}`,
        },
      );
      working.add(
        'T_limit',
        `Service temperature limit for that long: ${inSentence(first)} governs`,
        limit.limitC,
        '°C',
      );
    }
    return known({
      demand: face.temperatureC,
      capacity: limit.limitC,
      unit: '°C',
      reserve: temperatureReserve(limit.limitC, face.temperatureC),
      evidence: weakest(evidence, 'D'),
      reason: `${first} governs`,
      loadCaseId,
    });
  },
};

/** Of what fibre adds to the conductivity along itself, this share is left straight through the strands. Ours, class D. */
const THROUGH_STRANDS = 0.25;

/** A family's filled conductivity is that along the strands; heat from a touch goes through them. */
function throughLayers({ family, filler }: CheckContext['material'], evidence: string): number {
  if (evidence !== 'D' || !family || !filler?.kind.includes('fibre')) return 1;
  const along = fillerEffects(family, filler)!.mechanical.thermalConductivity;
  return (1 + THROUGH_STRANDS * (along - 1)) / along;
}

/** Two decades beyond what is asked nothing is told. */
const MOST_TOLD = 100;

/** How many touches the part lasts at the temperature of its face: halving in the logarithm, to 1 %. */
function touchesItLasts(context: CheckContext, temperatureC: number): { count: number; capped: boolean } {
  const { touchH, touches: asked } = context.body.contact!;
  const most = MOST_TOLD * asked;
  const lasts = (touches: number) => {
    const worst = worstAfter(context, temperatureC, touches * touchH);
    return !('gaps' in worst) && worst.reserve >= 1;
  };
  if (!lasts(1)) return { count: 0, capped: false };
  if (lasts(most)) return { count: most, capped: true };
  const [low] = bisect(lasts, 1, most, { within: 1.01, geometric: true });
  return { count: Math.floor(low), capped: false };
}

function faceTemperature({
  material,
  body,
}: CheckContext): { effusivity: number; temperatureC: number } | { gaps: readonly Statement[] } {
  const contact = body.contact!;
  const conductivity = material.property('thermalConductivity');
  const heat = material.property('specificHeat');
  if (!conductivity.known) return { gaps: conductivity.gaps };
  if (!heat.known) return { gaps: heat.gaps };
  if (!material.density.known) return { gaps: material.density.gaps };
  const own = effusivity({
    conductivityWPerMK: conductivity.value * throughLayers(material, conductivity.evidence),
    densityGPerCm3: material.density.value,
    heatJPerGK: heat.value,
  });
  return {
    effusivity: own,
    temperatureC: builtUpTemperatureC({
      duty: contact.duty,
      ownEffusivity: own,
      ownTemperatureC: contact.ownTemperatureC,
      otherEffusivity: contact.otherEffusivity,
      otherTemperatureC: contact.otherTemperatureC,
    }),
  };
}
