import { partGeometries, type PartModelId } from '@anvilstone/schema';
import { Type, type TObject } from '@sinclair/typebox';
import { InputError } from '@anvilstone/core/foundations';
import { bucklingLoad, findPartModel, partModels, type Action, type PartResponse } from '@anvilstone/core/shapes';
import type { Calculator } from './calculator.ts';
import { above0, modulusMPa } from './fields.ts';

/** What acts, by the field that says how large: with a first size for the examples. */
const ACTIONS: Record<Action, { field: 'forceN' | 'torqueNmm' | 'pressureMPa'; title: string; first: number }> = {
  force: { field: 'forceN', title: 'Force, N', first: 20 },
  torque: { field: 'torqueNmm', title: 'Torque, N·mm', first: 500 },
  pressure: { field: 'pressureMPa', title: 'Pressure, MPa', first: 0.01 },
};
/** Models whose shape decides what acts on them take either. */
const EITHER: Partial<Record<PartModelId, readonly Action[]>> = {
  ring: ['force', 'pressure'],
  flexure: ['torque', 'force'],
};

const stresses = Type.Object({
  place: Type.String({ description: 'Where' }),
  tensionMPa: Type.Number({ description: 'Largest tension, concentration included, MPa' }),
  compressionMPa: Type.Number({ description: 'Largest compression, MPa' }),
  shearMPa: Type.Number({ description: 'Largest shear, MPa' }),
});

/** One calculator a part model: its stresses, movement and buckling load under one action, of a material alike in all directions. */
export const partCalculators: readonly Calculator[] = partModels.map((model): Calculator => {
  const geometry = partGeometries.find((one) => one.properties.model.const === model.id) as unknown as TObject;
  const { model: _tag, ...dimensions } = geometry.properties;
  const { action } = model.body(model.start);
  const actions = EITHER[model.id] ?? [action];
  const acting = actions.map((one) => {
    const size = above0(ACTIONS[one].title);
    return [ACTIONS[one].field, actions.length === 1 ? size : Type.Optional(size)] as const;
  });
  const { model: _same, ...start } = model.start;
  return {
    id: `part-${model.id}`,
    title: `${model.title}: stresses and movement under a ${actions.join(' or a ')}`,
    source: `See the part model “${model.title}” in docs/model.md; its sources stand in each working of a check`,
    example: { ...start, [ACTIONS[action].field]: ACTIONS[action].first, modulusMPa: 2000 },
    input: Type.Object(
      {
        ...dimensions,
        ...Object.fromEntries(acting),
        modulusMPa,
        shearModulusMPa: Type.Optional(above0('Shear modulus, MPa; empty = modulus / 2.76')),
        compressiveStrengthMPa: Type.Optional(above0('Compressive strength, MPa; for stocky members that buckle')),
      },
      { additionalProperties: false, description: `Input of: ${model.title}` },
    ),
    output: Type.Object({
      movementMm: Type.Optional(Type.Number({ description: 'Movement, mm' })),
      elasticEnergyJ: Type.Optional(Type.Number({ description: 'Elastic energy stored, J' })),
      turnDeg: Type.Optional(Type.Number({ description: 'Turn, °' })),
      bucklesAtN: Type.Optional(Type.Number({ description: 'Force at which it buckles, N' })),
      collapsesAtMPa: Type.Optional(Type.Number({ description: 'Pressure at which it collapses, MPa' })),
      stresses: Type.Array(stresses),
    }),
    run: (input) => runModel(model.id, input as Record<string, unknown>),
  };
});

function runModel(id: PartModelId, input: Record<string, unknown>) {
  const {
    forceN,
    torqueNmm,
    pressureMPa,
    modulusMPa: modulus,
    shearModulusMPa,
    compressiveStrengthMPa,
    ...dimensions
  } = input as Partial<Record<string, number>> & { modulusMPa: number };
  const body = findPartModel(id).body({ model: id, ...dimensions } as never);
  const { field } = ACTIONS[body.action];
  const action = { forceN, torqueNmm, pressureMPa }[field];
  if (action === undefined) throw new InputError(field, undefined, `${ACTIONS[body.action].title} is needed`);
  const response = body.responses.depth;
  const movement = movementOf(response, action, modulus, shearModulusMPa ?? modulus / 2.76);
  const limit = bucklesAt(response, modulus, compressiveStrengthMPa ?? Infinity);
  return {
    ...(movement === undefined ? {} : { [body.movement.unit === 'mm' ? 'movementMm' : 'turnDeg']: movement }),
    ...(movement !== undefined && body.action === 'force' ? { elasticEnergyJ: (action * movement) / 2000 } : {}),
    ...(limit === undefined ? {} : { [body.action === 'force' ? 'bucklesAtN' : 'collapsesAtMPa']: limit }),
    stresses: response.places.map((one) => ({
      place: one.title,
      tensionMPa: one.tensionPerUnit * action,
      compressionMPa: one.compressionPerUnit * action,
      shearMPa: one.shearPerUnit * action,
    })),
  };
}

function movementOf(response: PartResponse, action: number, modulus: number, shear: number): number | undefined {
  if (response.complianceTerms.length === 0 && !response.shear) return undefined;
  const stretched = response.complianceTerms.reduce((total, stretch) => total + stretch.perModulus, 0) / modulus;
  return action * (stretched + (response.shear ? response.shear.perModulus / shear : 0) + response.seriesPerUnit);
}

function bucklesAt(response: PartResponse, modulus: number, strength: number): number | undefined {
  const loads = response.buckling.map((one) => {
    const euler = one.criticalPerModulus * modulus;
    return Number.isFinite(strength) ? bucklingLoad(euler, one.actionPerStress * strength) : euler;
  });
  return loads.length === 0 ? undefined : Math.min(...loads);
}
