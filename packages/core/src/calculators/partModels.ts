import { partGeometries } from '@anvilstone/schema';
import { Type, type TObject } from '@sinclair/typebox';
import { bucklingLoad } from '../parts/strut.ts';
import { findPartModel, partModels } from '../parts/index.ts';
import { ACTION_UNIT, type PartResponse } from '../parts/partModel.ts';
import type { Calculator } from './calculator.ts';
import { above0, modulusMPa } from './fields.ts';

/** What acts in the examples: N, N·mm, MPa. */
const FIRST_ACTION = { force: 20, torque: 500, pressure: 0.01 } as const;

const place = Type.Object({
  place: Type.String({ description: 'Where' }),
  tensionMPa: Type.Number({ description: 'Largest tension, concentration included, MPa' }),
  compressionMPa: Type.Number({ description: 'Largest compression, MPa' }),
  shearMPa: Type.Number({ description: 'Largest shear, MPa' }),
});

/** One calculator a part model: its stresses, movement and buckling load under one action, of a material alike in all directions. */
export const partCalculators: readonly Calculator[] = partModels.map((model): Calculator => {
  const geometry = partGeometries.find((one) => one.properties.model.const === model.id) as unknown as TObject;
  const { model: _tag, ...dimensions } = geometry.properties;
  const body = model.body(model.start);
  const unit = ACTION_UNIT[body.action];
  return {
    id: `part-${model.id}`,
    title: `${model.title}: stresses and movement under a ${body.action}`,
    source: `See the part model “${model.title}” in docs/model.md; sources stand in each working`,
    example: exampleOf(model),
    input: Type.Object(
      {
        ...dimensions,
        action: above0(`${body.action[0]!.toUpperCase()}${body.action.slice(1)}, ${unit}`),
        modulusMPa,
        shearModulusMPa: Type.Optional(above0('Shear modulus, MPa; absent = modulus / 2.76')),
        compressiveStrengthMPa: Type.Optional(above0('Compressive strength, MPa; for stocky members that buckle')),
      },
      { additionalProperties: false, description: `Input of: ${model.title}` },
    ),
    output: Type.Object({
      movement: Type.Union([Type.Number(), Type.Null()], {
        description: 'Movement, mm (° where it turns); null: not told',
      }),
      bucklesAt: Type.Union([Type.Number(), Type.Null()], { description: `Action at which it buckles, ${unit}` }),
      stresses: Type.Array(place),
    }),
    run: (input) => runModel(model.id, input as Record<string, unknown>),
  };
});

function exampleOf(model: (typeof partModels)[number]): Record<string, unknown> {
  const { model: _tag, ...dimensions } = model.start;
  return { ...dimensions, action: FIRST_ACTION[model.body(model.start).action], modulusMPa: 2000 };
}

function runModel(id: (typeof partModels)[number]['id'], input: Record<string, unknown>) {
  const {
    action,
    modulusMPa: modulus,
    shearModulusMPa,
    compressiveStrengthMPa,
    ...dimensions
  } = input as {
    action: number;
    modulusMPa: number;
    shearModulusMPa?: number;
    compressiveStrengthMPa?: number;
  };
  const { responses } = findPartModel(id).body({ model: id, ...dimensions } as never);
  const response = responses.depth;
  const shear = shearModulusMPa ?? modulus / 2.76;
  return {
    movement: movementOf(response, action, modulus, shear),
    bucklesAt: bucklesAt(response, modulus, compressiveStrengthMPa ?? Infinity),
    stresses: response.places.map((one) => ({
      place: one.title,
      tensionMPa: one.tensionPerUnit * action,
      compressionMPa: one.compressionPerUnit * action,
      shearMPa: one.shearPerUnit * action,
    })),
  };
}

function movementOf(response: PartResponse, action: number, modulus: number, shear: number): number | null {
  if (response.stretches.length === 0 && !response.shear) return null;
  const stretched = response.stretches.reduce((total, stretch) => total + stretch.perModulus, 0) / modulus;
  return action * (stretched + (response.shear ? response.shear.perModulus / shear : 0) + response.seriesPerUnit);
}

function bucklesAt(response: PartResponse, modulus: number, strength: number): number | null {
  const loads = response.buckling.map((one) => {
    const euler = one.criticalPerModulus * modulus;
    return Number.isFinite(strength) ? bucklingLoad(euler, one.actionPerStress * strength) : euler;
  });
  return loads.length === 0 ? null : Math.min(...loads);
}
