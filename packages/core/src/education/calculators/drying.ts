import { inWords } from '@anvilstone/core/foundations';
import { Type } from '@sinclair/typebox';
import { planDryers, spoolMoisture } from '@anvilstone/core/making';
import { calculator } from './calculator.ts';
import { above0 } from './fields.ts';

const name = Type.String({ minLength: 1, maxLength: 80, description: 'Name' });
const celsius = (description: string) => Type.Number({ minimum: -40, maximum: 250, description });
const hours = (description: string) => Type.Number({ minimum: 0, maximum: 10_000, description });

export const spoolWater = calculator({
  id: 'spool-moisture',
  title: 'How wet a spool is after lying in changing air, and how long it must be dried',
  source:
    'Crank, The Mathematics of Diffusion, 2nd ed., eq. 4.18, steps added up; 20 % of the balance at 50 % RH is too wet (ours)',
  example: {
    openHours: 8,
    dryingC: 80,
    dryingH: 10,
    air: [{ hours: 4, temperatureC: 23, humidityPct: 50 }],
  },
  input: {
    openHours: above0('Printable out of the dryer at 23 °C and 50 % humidity, h'),
    dryingC: celsius('Drying temperature, °C'),
    dryingH: above0('Drying time as stated, h'),
    air: Type.Array(
      Type.Object(
        {
          hours: above0('How long, h'),
          temperatureC: celsius('Temperature, °C'),
          humidityPct: Type.Number({ minimum: 0, maximum: 100, description: 'Relative humidity, %' }),
        },
        { additionalProperties: false },
      ),
      { maxItems: 1000, description: 'Storage since drying, in order' },
    ),
  },
  output: {
    fraction: Type.Number({ description: 'Water relative to equilibrium at 50 % RH' }),
    state: Type.String(),
    useWithinH: Type.Union([Type.Number(), Type.Null()], {
      description: 'In the last air, h; null = it never gets too wet',
    }),
    needsDryingH: Type.Number({ description: 'In the dryer, h' }),
  },
  run({ air, ...water }) {
    const { fraction, state, useWithinH, needsDryingH } = spoolMoisture(water, air);
    return { fraction, state, useWithinH: Number.isFinite(useWithinH) ? useWithinH : null, needsDryingH };
  },
});

export const dryerPlan = calculator({
  id: 'dryer-plan',
  title: 'Which spools to dry together, where, and when',
  source:
    'Every way is tried for up to seven spools, more by urgency and exchange; cooler takes longer by Arrhenius, 50 kJ/mol',
  example: {
    spools: [
      { id: 'PA12 black', dryingC: 80, limitC: 90, hours: 8, needByH: 24 },
      { id: 'PETG clear', dryingC: 65, limitC: 70, hours: 6, needByH: 8 },
      { id: 'TPU 95A', dryingC: 60, limitC: 65, hours: 8, needByH: 30 },
    ],
    dryers: [{ id: 'Cupboard', slots: 2, maximumC: 85 }],
  },
  input: {
    spools: Type.Array(
      Type.Object(
        {
          id: name,
          dryingC: celsius('Drying temperature, °C'),
          limitC: Type.Optional(celsius('Hotter it fuses, °C; absent = its drying temperature')),
          hours: above0('At its drying temperature, h'),
          needByH: hours('Needed in, h'),
          fromH: Type.Optional(hours('At hand in, h; absent = now')),
        },
        { additionalProperties: false },
      ),
      { maxItems: 60 },
    ),
    dryers: Type.Array(
      Type.Object(
        {
          id: name,
          slots: Type.Integer({ minimum: 1, maximum: 50, description: 'Spools it takes' }),
          maximumC: celsius('It reaches, °C'),
          freeH: Type.Optional(hours('Free in, h; absent = now')),
        },
        { additionalProperties: false },
      ),
      { maxItems: 10 },
    ),
  },
  output: {
    lateH: Type.Number({ description: 'Late, all together, h' }),
    runs: Type.Array(
      Type.Object({
        dryer: Type.String(),
        spools: Type.String(),
        temperatureC: Type.Number(),
        startH: Type.Number(),
        endH: Type.Number(),
      }),
    ),
    impossible: Type.Array(Type.Object({ id: Type.String(), why: Type.String() })),
  },
  run({ spools, dryers }) {
    const { runs, impossible, lateH } = planDryers(spools, dryers);
    return {
      lateH,
      runs: runs.map(({ dryerId, spools: inIt, ...run }) => ({
        dryer: dryerId,
        spools: inIt.map(({ id }) => id).join(', '),
        temperatureC: run.temperatureC,
        startH: run.startH,
        endH: run.endH,
      })),
      impossible: impossible.map(({ id, why }) => ({ id, why: inWords(why) })),
    };
  },
});
