import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText, temperatureC, vocabulary } from './common.ts';

const above0 = (maximum: number, description: string) => Type.Number({ exclusiveMinimum: 0, maximum, description });

export const LOAD_KINDS = ['lasting', 'short', 'repeated', 'knock', 'held'] as const;

/**
 * One thing the part has to bear. How large it is stands in the one field that its kind and the part model call for:
 * newtons, a torque, a pressure, a displacement, an angle, or for a knock an energy or a falling mass.
 */
export const loadCase = record(
  {
    id: identifier,
    name: shortText('What this load is, in the engineer’s words'),
    kind: Type.Optional(
      vocabulary(
        LOAD_KINDS,
        'How it acts: stays on, comes and goes once, repeats, strikes, or is held bent; absent = stays on',
      ),
    ),
    direction: Type.Optional(
      vocabulary(['depth', 'width'] as const, 'Along the section’s depth, or sideways along its width; absent = depth'),
    ),
    forceN: Type.Optional(above0(1e6, 'Force, N')),
    torqueNmm: Type.Optional(above0(1e8, 'Torque, N·mm')),
    pressureMPa: Type.Optional(above0(1000, 'Pressure, MPa')),
    displacementMm: Type.Optional(above0(1000, 'Movement that is forced on it, mm')),
    angleDeg: Type.Optional(above0(360, 'Turn that is forced on it, °')),
    energyJ: Type.Optional(above0(1e6, 'Energy of a knock, J')),
    fallingMassG: Type.Optional(above0(1e7, 'Mass that falls on it, g')),
    dropHeightMm: Type.Optional(above0(1e5, 'Height it falls from, mm')),
    strikeSpeedMPerS: Type.Optional(
      Type.Number({
        minimum: 0.01,
        maximum: 100,
        description: 'How fast a knock strikes, m/s; absent = as it falls, else 3 as of a tool in the hand',
      }),
    ),
    durationH: above0(500000, 'How long the load stays on, h: in total where it comes and goes'),
    onShare: Type.Optional(above0(1, 'Share of the time it is on, 0 … 1; absent = without a break')),
    onEachH: Type.Optional(above0(500000, 'How long it is on each time, h, where it comes and goes')),
    cycles: Type.Optional(Type.Number({ minimum: 1, maximum: 1e10, description: 'Repetitions in its life' })),
    cyclesPerH: Type.Optional(
      above0(1e7, 'Repetitions an hour while it is on, through the service life; takes the place of a total'),
    ),
    shockFactor: Type.Optional(
      Type.Number({
        minimum: 1,
        maximum: 20,
        description:
          'Multiplies forces, torques and pressures that come on suddenly; absent = 1, put on without a shock',
      }),
    ),
    stressRatio: Type.Optional(
      Type.Number({
        minimum: -1,
        maximum: 0.95,
        description: 'Stress ratio R, lowest over highest load: −1 fully reversed, 0 on and off',
      }),
    ),
    temperatureC: temperatureC('Temperature of the part while this load acts, °C'),
    safetyFactor: Type.Number({ minimum: 1, maximum: 20, description: 'Divides the allowable stress' }),
    actsWhenHot: Type.Boolean({ description: 'Also acts at the steady and peak service temperatures' }),
    maxDeflectionMm: Type.Optional(above0(5000, 'Movement allowed as the load comes on, mm')),
    maxSagMm: Type.Optional(above0(5000, 'Movement allowed at the end of the duration, mm')),
    maxLeftMm: Type.Optional(above0(5000, 'Movement allowed to stay after the load has gone, mm')),
    recoveryH: Type.Optional(above0(500000, 'Time to recover after the load has gone, h; absent = 24 h')),
    minHoldN: Type.Optional(above0(1e6, 'Required retained force, N, where it is held bent or clamped')),
    mustStayWhole: Type.Optional(
      vocabulary(
        ['undamaged', 'unbroken'] as const,
        'After a knock: without damage, or without breaking; absent = both',
      ),
    ),
  },
  'One load with its kind, size, duration, temperature and limits',
  'load-case',
);
export type LoadCase = Static<typeof loadCase>;
export type LoadKind = (typeof LOAD_KINDS)[number];
