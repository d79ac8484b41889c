import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import type { TSchema } from '@sinclair/typebox';
import { brief, grade, companyRules, machine, partGeometries } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { calculators } from './education/calculators/index.ts';
import { checks } from './checks/index.ts';
import { defaultCompanyRules } from './materials/companyRules/companyRules.ts';
import { familyEstimate } from './materials/resolving/familyEstimate.ts';
import { canonicalValue } from './materials/resolving/canonicalValue.ts';
import { partModels } from './shapes/parts/index.ts';
import { findFamily } from './materials/reference/family.ts';
import { findReinforcement } from './materials/reference/reinforcement.ts';
import { sampleBriefs, sampleLibrary } from './education/sample/index.ts';

/** All that the modules of a folder export, by file. */
const exportsOf = (folder: string, files: readonly string[]) =>
  Promise.all(
    files.map(async (file) =>
      Object.values((await import(join(import.meta.dirname, folder, file))) as Record<string, unknown>),
    ),
  );

const ajv = addFormats(new Ajv({ allErrors: true, discriminator: true, strict: true }));

describe('lists', () => {
  test.each([
    ['checks', checks],
    ['calculators', calculators],
  ] as const)('%s: no id twice, every one titled', (_name, list) => {
    expect(new Set(list.map((one) => one.id)).size).toBe(list.length);
    for (const one of list) expect(one.title).toMatch(/\S/);
  });

  test('every calculator has schemas that compile and names its source', () => {
    for (const calculator of calculators) {
      expect(() => ajv.compile(calculator.input)).not.toThrow();
      expect(() => ajv.compile(calculator.output)).not.toThrow();
      expect(calculator.source).toMatch(/\S/);
    }
  });

  test('every calculator module is in the list', async () => {
    const modules = readdirSync(join(import.meta.dirname, 'education/calculators')).filter(
      (file) => !/^(index|calculator|fields)\.ts$|\.test\.ts$/.test(file),
    );
    const exported = (await exportsOf('education/calculators', modules)).flat(2);
    expect(new Set(exported)).toEqual(new Set(calculators));
  });
});

test('every part model module is in the list, and its start can be evaluated', async () => {
  const modules = readdirSync(join(import.meta.dirname, 'shapes/parts')).filter((file) => !/\.test\.ts$/.test(file));
  const exported = (await exportsOf('shapes/parts', modules))
    .flat()
    .filter((one) => typeof one === 'object' && one !== null && 'does' in one);
  expect(new Set(exported)).toEqual(new Set(partModels));
  expect(partModels.map(({ id }) => id).sort()).toEqual(partGeometries.map((one) => one.properties.model.const).sort());
  for (const model of partModels) expect(model.body(model.start).responses.depth.places.length).toBeGreaterThan(0);
});

test('every check module is in the list', async () => {
  const modules = readdirSync(join(import.meta.dirname, 'checks'), { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.ts$/.test(file) && !/\.test\.ts$/.test(file),
  );
  const ids = (await exportsOf('checks', modules))
    .flat()
    .filter((one): one is { id: string } => typeof one === 'object' && one !== null && 'asks' in one && 'id' in one)
    .map((one) => one.id);
  expect(new Set(ids)).toEqual(new Set(checks.map((check) => check.id)));
});

describe('sample data', () => {
  const valid = (schema: TSchema) => {
    const validate = validator(schema);
    return (value: unknown) => {
      const checked = validate(value);
      return checked.ok ? [] : checked.issues;
    };
  };

  test('every grade, machine and brief validates, and is marked as sample data', () => {
    const [isGrade, isMachine, isBrief] = [valid(grade), valid(machine), valid(brief)];
    for (const one of sampleLibrary.grades) expect([one.id, isGrade(one), one.sampleData]).toEqual([one.id, [], true]);
    for (const one of sampleLibrary.machines) expect([one.id, isMachine(one)]).toEqual([one.id, []]);
    for (const one of sampleBriefs) expect([one.title, isBrief(one)]).toEqual([one.title, []]);
  });

  test('at least 64 grades, 6 makers, 24 families, neat and carbon and glass', () => {
    const { grades } = sampleLibrary;
    expect(grades.length).toBeGreaterThanOrEqual(64);
    expect(new Set(grades.map((one) => one.maker)).size).toBeGreaterThanOrEqual(6);
    expect(new Set(grades.map((one) => one.familyId)).size).toBeGreaterThanOrEqual(24);
    for (const kind of [/carbon/, /glass/])
      expect(grades.some((one) => kind.test(one.reinforcementId ?? ''))).toBe(true);
  });

  test('reported moduli and strengths lie within reach of their family and filler', () => {
    for (const one of sampleLibrary.grades) {
      const family = findFamily(one.familyId);
      if (!family) continue;
      for (const observation of one.observations) {
        if (observation.property !== 'tensileModulus' && observation.property !== 'tensileStrength') continue;
        if ((observation.temperatureC ?? 23) !== 23 || observation.orientation === 'ZX') continue;
        const typical = familyEstimate(family, findReinforcement(one.reinforcementId), observation.property)!.value;
        const reading = canonicalValue(observation, observation.property);
        const ratio = reading.ok ? reading.value / typical : Number.NaN;
        expect([observation.id, ratio > 0.3 && ratio < 1.6]).toEqual([observation.id, true]);
      }
    }
  });

  test('company rules of a new workshop validate', () => expect(valid(companyRules)(defaultCompanyRules)).toEqual([]));
});
