/** Whatever a grade may hold, every format gives it back. Values are drawn at random from a seed that a failure prints. */
import {
  BOUNDS,
  CLAIM_KINDS,
  CLAIM_SCOPES,
  CONDITIONINGS,
  ENCLOSURES,
  ORIENTATIONS,
  SOURCES,
  CRYSTALLINITIES,
  SPECIMENS,
  grade as gradeSchema,
  type Grade,
  type PropertyId,
} from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import fc from 'fast-check';
import { strToU8 } from 'fflate';
import { fromCanonical } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from '../../materials/resolving/properties.ts';
import { TEST_PARAMETERS } from '../../materials/resolving/conditions.ts';
import { families } from '../../materials/reference/family.ts';
import { reinforcements } from '../../materials/reference/reinforcement.ts';
import { planImport } from './planning/planImport.ts';
import { readImportFile } from './readers/index.ts';
import { libraryWriters } from './writers/index.ts';

const check = validator(gradeSchema);

/** Text as people and careless programs leave it; formats trim the ends, so it has none to trim. */
const text = (maxLength = 40) =>
  fc
    .oneof(
      fc.string({ minLength: 1, maxLength }),
      fc.constantFrom(
        '=SUM(A1)',
        "'quoted'",
        '"double"',
        'a;b,c|d',
        '<tag>&amp;',
        '-30',
        '1,250',
        'not known',
        '∅ µ °',
      ),
    )
    .map((one) =>
      [...one]
        .filter((char) => char >= ' ' && char !== '\u007f')
        .join('')
        .trim(),
    )
    .filter((one) => one !== '' && one !== 'not stated' && one !== 'none' && !one.includes(' | '));
const number = fc.double({ min: 0.001, max: 1e6, noNaN: true }).map((value) => Number(value.toPrecision(6)));
const optional = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const within = (low: number, high: number) =>
  fc.double({ min: low, max: high, noNaN: true }).map((value) => Number(value.toPrecision(5)));
const range = (low: number, high: number) =>
  fc.tuple(within(low, high), within(low, high)).map(([a, b]) => ({ low: Math.min(a, b), high: Math.max(a, b) }));
const present = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as T;

const parameters: Record<string, fc.Arbitrary<unknown>> = Object.fromEntries(
  Object.keys(TEST_PARAMETERS).map((name) => [
    name,
    name === 'agentId' ? optional(fc.constant('ketones')) : optional(within(0.01, 1)),
  ]),
);
/** Numbers that a filament may have, in the unit they are reported in. */
const resultOf = (property: PropertyId, unit: string) => {
  const { physical, dimension } = PROPERTY_DEFINITIONS[property];
  const [least, most] = physical.map((bound) => fromCanonical(bound, unit, dimension)) as [number, number];
  // Rounded numbers must not come to lie outside.
  const [low, high] = [least + (most - least) * 1e-4, most - (most - least) * 1e-4];
  return fc.oneof(
    fc.record({ value: within(low, high) }),
    fc.record({ value: within(low, high), bound: fc.constantFrom(...BOUNDS) }),
    fc.record({ value: within(low, high), standardDeviation: number, count: fc.integer({ min: 1, max: 99 }) }),
    range(low, high),
  );
};
const numbered = fc
  .constantFrom(
    { property: 'tensileStrength', unit: 'MPa' } as const,
    { property: 'tensileModulus', unit: 'ksi' } as const,
    { property: 'heatDeflectionTemperature', unit: '°F' } as const,
    { property: 'charpyNotched', unit: 'kJ/m²' } as const,
  )
  .chain((what) => resultOf(what.property, what.unit).map((numbers) => ({ ...what, ...numbers })));
const observation = fc
  .tuple(
    numbered,
    fc.record({
      source: fc.constantFrom(...SOURCES),
      reference: text(),
      method: optional(text(20)),
      specimen: optional(fc.constantFrom(...SPECIMENS)),
      crystallinity: optional(fc.constantFrom(...CRYSTALLINITIES)),
      orientation: optional(fc.option(fc.constantFrom(...ORIENTATIONS))),
      conditioning: optional(fc.option(fc.constantFrom(...CONDITIONINGS))),
      temperatureC: optional(within(-60, 300)),
      date: optional(fc.constantFrom('2026-02-28', '1999-12-31')),
      note: optional(text()),
      ...parameters,
    }),
  )
  .map(([numbers, conditions]) => present({ ...numbers, ...conditions }));
const claim = fc
  .record({
    kind: fc.constantFrom(...CLAIM_KINDS),
    statement: text(),
    scope: fc.constantFrom(...CLAIM_SCOPES),
    reference: text(),
    standard: optional(text(20)),
    thicknessMm: optional(within(0.1, 50)),
    colour: optional(text(12)),
    date: optional(fc.constant('2025-06-30')),
  })
  .map(present);
const process = fc
  .record({
    nozzleC: optional(range(150, 450)),
    bedC: optional(range(0, 200)),
    chamberC: optional(range(0, 200)),
    fanPct: optional(range(0, 100)),
    enclosure: optional(fc.constantFrom(...ENCLOSURES)),
    minimumNozzleMm: optional(within(0.1, 2)),
    abrasive: optional(fc.boolean()),
    dryingC: optional(within(40, 200)),
    dryingH: optional(within(0.5, 100)),
    openHours: optional(within(1, 1000)),
  })
  .map(present);
const colour = text(12).filter((one) => !/[|;,]/.test(one));
const arbitraryGrade = fc
  .record({
    name: text(),
    maker: text(),
    familyId: fc.constantFrom('not-stated', ...families.map(({ id }) => id)),
    reinforcementId: fc.constantFrom(null, ...reinforcements.map(({ id }) => id)),
    colours: fc.array(colour, { maxLength: 3 }),
    pricePerKgUsd: fc.option(number),
    process,
    claims: fc.array(claim, { maxLength: 3 }),
    observations: fc.array(observation, { maxLength: 5 }),
    sampleData: fc.boolean(),
    note: optional(text()),
  })
  .map(({ claims, observations, ...rest }) =>
    present({
      id: 'grade-1',
      ...rest,
      ...(claims.length > 0 ? { claims } : {}),
      observations: observations.map((one, i) => ({ id: `o${i}`, ...one })),
    }),
  )
  .map((made) => made as unknown as Grade)
  .filter((made) => check(made).ok);

test.each(libraryWriters.map((writer) => [writer.id, writer] as const))(
  '%s gives back whatever went in',
  async (id, writer) => {
    await fc.assert(
      fc.asyncProperty(arbitraryGrade, async (grade) => {
        const written = await writer.write([grade]);
        const file = typeof written === 'string' ? strToU8(written) : written;
        const { plan, writes } = planImport(await readImportFile(file, {}), {
          fileName: 'x',
          settings: {},
          library: [],
        });
        expect(plan.issues.filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(plan.questions).toEqual([]);
        expect(writes).toEqual([grade]);
      }),
      { numRuns: id === 'xlsx' ? 25 : 80 },
    );
  },
);
