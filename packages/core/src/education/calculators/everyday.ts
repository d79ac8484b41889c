import { Type } from '@sinclair/typebox';
import { temperatureReserve } from '@anvilstone/core/checks';
import {
  InputError,
  toCanonical,
  fromCanonical,
  DIMENSIONS,
  type Dimension,
  parseQuantity,
} from '@anvilstone/core/foundations';
import { fitsRectangle, partCost } from '@anvilstone/core/machines';
import { calculator } from './calculator.ts';
import { above0, temperatureC } from './fields.ts';

const dimension = Type.Unsafe<Dimension>({ type: 'string', enum: Object.keys(DIMENSIONS) });

export const readQuantity = calculator({
  id: 'read-quantity',
  title: 'Read a typed quantity, for example “3/16 in”',
  source: 'NIST SP 811 conversion factors',
  example: { text: '140 °F', dimension: 'temperature' },
  input: { text: Type.String({ maxLength: 80 }), dimension },
  output: { canonical: Type.Number(), unit: Type.String() },
  run({ text, dimension: of }) {
    const parsed = parseQuantity(text, of);
    if (!parsed.ok) throw new InputError('text', text, parsed.message);
    return { canonical: parsed.canonical, unit: parsed.unit };
  },
});

export const convert = calculator({
  id: 'convert-unit',
  title: 'Convert between two units of a dimension',
  source: 'NIST SP 811 conversion factors',
  example: { value: 1, from: 'in', to: 'mm', dimension: 'length' },
  input: { value: Type.Number(), from: Type.String(), to: Type.String(), dimension },
  output: { value: Type.Number() },
  run: ({ value, from, to, dimension: of }) => ({ value: fromCanonical(toCanonical(value, from, of), to, of) }),
});

export const cost = calculator({
  id: 'part-cost',
  title: 'Cost of one good part',
  source:
    '(filament with purge and support + machine hours + drying + nozzle wear + labour) / (1 − scrap) + set-up / parts in the lot',
  example: {
    massG: 100,
    volumeMm3: 80000,
    pricePerKgUsd: 30,
    dryingH: 6,
    filament: 'plain',
    nozzle: 'brass',
    volumetricFlowMm3PerS: 10,
    hourlyRateUsd: 2,
    purgeShare: 0.08,
    scrapShare: 0.07,
    printTimeFactor: 2.2,
    labourPerPartUsd: 4,
    quantity: 1,
    setupUsd: 5,
    supportG: 0,
  },
  input: {
    massG: above0('Mass, g'),
    volumeMm3: above0('Volume, mm³'),
    pricePerKgUsd: above0('Price, USD/kg'),
    dryingH: Type.Number({ minimum: 0, description: 'Drying of a spool, h' }),
    filament: Type.Unsafe<'plain' | 'abrasive'>({ type: 'string', enum: ['plain', 'abrasive'] }),
    nozzle: Type.Unsafe<'brass' | 'hardened'>({ type: 'string', enum: ['brass', 'hardened'] }),
    volumetricFlowMm3PerS: above0('Sustained flow, mm³/s'),
    hourlyRateUsd: Type.Number({ minimum: 0 }),
    purgeShare: Type.Number({ minimum: 0, maximum: 0.95 }),
    scrapShare: Type.Number({ minimum: 0, maximum: 0.95 }),
    printTimeFactor: Type.Number({ minimum: 1 }),
    labourPerPartUsd: Type.Number({ minimum: 0 }),
    quantity: Type.Integer({ minimum: 1, description: 'Good parts in the lot' }),
    setupUsd: Type.Number({ minimum: 0, description: 'Set-up of the lot, USD' }),
    supportG: Type.Number({ minimum: 0, description: 'Support of each part, g' }),
  },
  output: {
    filamentUsd: Type.Number(),
    machineUsd: Type.Number(),
    dryingUsd: Type.Number(),
    nozzleUsd: Type.Number(),
    labourUsd: Type.Number(),
    scrapUsd: Type.Number(),
    setupUsd: Type.Number(),
    printTimeH: Type.Number(),
    filamentG: Type.Number(),
    scrapShare: Type.Number(),
    quantity: Type.Number(),
    totalUsd: Type.Number(),
  },
  run: ({ massG, volumeMm3, pricePerKgUsd, dryingH, filament, nozzle, quantity, setupUsd, supportG, ...rest }) =>
    partCost({
      massG,
      volumeMm3,
      filament: { pricePerKgUsd, dryingH, abrasive: filament === 'abrasive' },
      machine: { ...rest, name: '', nozzleMaterial: nozzle },
      rules: { ...rest, setupUsd },
      lot: { quantity, supportG },
    }),
});

export const reserveOfTemperature = calculator({
  id: 'temperature-reserve',
  title: 'Reserve of a temperature limit over a required temperature',
  source: '1 + (limit − required) / max(10, required − 23)',
  example: { limitC: 60, requiredC: 50 },
  input: { limitC: temperatureC, requiredC: temperatureC },
  output: { reserve: Type.Number() },
  run: ({ limitC, requiredC }) => ({ reserve: temperatureReserve(limitC, requiredC) }),
});

export const footprint = calculator({
  id: 'footprint-fits',
  title: 'Whether a rectangular footprint fits on a bed, turned if need be',
  source: 'J. E. Wetzel, Mathematics Magazine 73 (2000) 204',
  example: { lengthMm: 250, widthMm: 10, bedLengthMm: 220, bedWidthMm: 220 },
  input: { lengthMm: above0('mm'), widthMm: above0('mm'), bedLengthMm: above0('mm'), bedWidthMm: above0('mm') },
  output: { fits: Type.Boolean() },
  run({ lengthMm, widthMm, bedLengthMm, bedWidthMm }) {
    const [p, q] = [Math.max(lengthMm, widthMm), Math.min(lengthMm, widthMm)];
    const [a, b] = [Math.max(bedLengthMm, bedWidthMm), Math.min(bedLengthMm, bedWidthMm)];
    return { fits: fitsRectangle(p, q, a, b) };
  },
});
