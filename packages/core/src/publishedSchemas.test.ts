import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import { brief, grade, companyRules, library, machine } from '@anvilstone/schema';
import { publishedFiles } from '@anvilstone/schema/published';
import { validator } from '@anvilstone/schema/validate';
import { defaultCompanyRules } from './materials/companyRules/companyRules.ts';
import { sampleBriefs, sampleLibrary } from './education/sample/index.ts';

/** As anyone would: a validator with its own defaults, given the published files. */
const standard = addFormats(new Ajv({ strict: false, schemas: [...publishedFiles().values()] }));

type Fields = Record<string, unknown>;
const copy = (value: unknown) => JSON.parse(JSON.stringify(value)) as Fields;

/** The same document spoilt in every place, one at a time: a field gone, one too many, a number that is a text. */
function* spoilt(document: unknown): Generator<Fields> {
  const places: string[][] = [];
  const visit = (value: unknown, path: string[]) => {
    if (typeof value !== 'object' || value === null) return;
    places.push(path);
    for (const [key, inner] of Object.entries(value)) visit(inner, [...path, key]);
  };
  visit(document, []);
  for (const path of places) {
    const changed = (change: (at: Fields) => void) => {
      const whole = copy(document);
      change(path.reduce((at, key) => at[key] as Fields, whole));
      return whole;
    };
    yield changed((at) => void (Array.isArray(at) ? at.push({}) : (at.notAField = 1)));
    for (const key of Object.keys(path.reduce((at, name) => at[name] as Fields, copy(document)))) {
      yield changed((at) => void delete at[key]);
      yield changed((at) => void (at[key] = typeof at[key] === 'number' ? String(at[key]) : 4711));
    }
  }
}

test.each([
  ['brief', brief, sampleBriefs[0]],
  ['brief', brief, sampleBriefs[2]],
  ['grade', grade, sampleLibrary.grades[0]],
  ['machine', machine, sampleLibrary.machines[0]],
  ['company-rules', companyRules, defaultCompanyRules],
  ['library', library, { ...sampleLibrary, grades: sampleLibrary.grades.slice(0, 1) }],
] as const)('%s: a standard validator with the published files judges as the server does', (name, schema, document) => {
  const published = standard.getSchema(`${name}.schema.json`)!;
  const ours = validator(schema);
  expect([published(copy(document)), published.errors]).toEqual([true, null]);
  const disagree: unknown[] = [];
  let refused = 0;
  for (const one of spoilt(document)) {
    const verdict = ours(one).ok;
    if (!verdict) refused += 1;
    if (published(one) !== verdict) disagree.push(one);
  }
  expect(disagree).toEqual([]);
  expect(refused).toBeGreaterThan(20);
});
