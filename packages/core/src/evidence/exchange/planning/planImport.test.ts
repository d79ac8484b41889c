import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Grade, ImportSettings } from '@anvilstone/schema';
import { sampleLibrary } from '../../../education/sample/index.ts';
import { readImportFile } from '../readers/index.ts';
import { planImport } from './planImport.ts';

const bytes = (text: string) => new TextEncoder().encode(text);
const plan = async (text: string | Uint8Array, settings: ImportSettings = {}, library: readonly Grade[] = []) =>
  planImport(await readImportFile(typeof text === 'string' ? bytes(text) : text, settings), {
    fileName: 'sheet.csv',
    settings,
    library,
  });
const messages = (outcome: Awaited<ReturnType<typeof plan>>) =>
  outcome.plan.issues
    .filter(({ severity }) => severity === 'error')
    .map(({ line, header, message }) => `${line} ${header}: ${message}`);

describe('a maker’s messy sheet', () => {
  const file = readFileSync(join(import.meta.dirname, '../../../../../../docs/examples/nine-elms-grades.csv'));
  const settings = { maker: 'Nine Elms Compounding' };
  const answers = { 'notch:6': '10.16', 'unit-slip:3:MPa:GPa': 'other' };

  test('separator, decimal comma, heading line, units in headings and cells are found', async () => {
    const { plan: found } = await plan(file, settings, sampleLibrary.grades);
    expect(found).toMatchObject({
      delimiter: ';',
      decimal: 'comma',
      headerLine: 4,
      layout: 'wide',
      errorCount: 0,
      newCount: 5,
      changedCount: 2,
    });
  });
  test('it asks about the unit slip and the notch, and writes nothing before both are answered', async () => {
    const open = await plan(file, settings, sampleLibrary.grades);
    expect(open.plan.questions.map(({ id }) => id).sort()).toEqual(Object.keys(answers).sort());
    expect(open.writes).toEqual([]);
    const half = await plan(file, { ...settings, answers: { 'notch:6': '10.16' } }, sampleLibrary.grades);
    expect(half.writes).toEqual([]);
  });
  test('answered: values, units and conditions arrive as the sheet means them', async () => {
    const { writes } = await plan(file, { ...settings, answers }, sampleLibrary.grades);
    const abs = writes.find(({ id }) => id === 'ne-abs')!;
    const imported = abs.observations.filter(({ reference }) => reference === 'sheet.csv');
    expect(imported.find(({ property }) => property === 'tensileModulus')).toMatchObject({
      value: 2.15,
      unit: 'GPa',
      orientation: 'XY',
      specimen: 'printed',
      conditioning: 'dry',
    });
    expect(imported.find(({ property }) => property === 'izodNotched')).toMatchObject({
      value: 185,
      unit: 'J/m',
      ligamentMm: 10.16,
    });
    expect(imported.find(({ property }) => property === 'heatDeflectionTemperature')).toMatchObject({
      value: 192,
      unit: '°F',
      hdtStressMPa: 0.45,
    });
    expect(imported.find(({ property }) => property === 'tensileStrength')).toMatchObject({
      value: 38.2,
      standardDeviation: 1.1,
    });
    expect(abs.process.nozzleC).toEqual({ low: 240, high: 260 });
    const carbon = writes.find(({ name }) => name === 'Nine Elms PA12 C10')!;
    expect(carbon).toMatchObject({ familyId: 'pa12', reinforcementId: 'carbon-10', maker: 'Nine Elms Compounding' });
    expect(carbon.observations.find(({ property }) => property === 'tensileStrength')).toMatchObject({
      low: 52,
      high: 58,
    });
    const pc = writes.find(({ name }) => name === 'Nine Elms PC Trade')!;
    expect(pc.observations.find(({ property }) => property === 'izodNotched')).toMatchObject({
      classValue: 'no break',
    });
  });
  test('imported again it changes nothing; a changed value is shown before and after', async () => {
    const { writes } = await plan(file, { ...settings, answers }, sampleLibrary.grades);
    const library = [...sampleLibrary.grades.filter((one) => !writes.some(({ id }) => id === one.id)), ...writes];
    const again = await plan(file, { ...settings, answers }, library);
    expect(again.plan).toMatchObject({ newCount: 0, changedCount: 0, unchangedCount: 7 });
    const revised = new TextDecoder().decode(file).replace('45,5 ± 1,8', '44,1 ± 1,8');
    const changed = await plan(revised, { ...settings, answers }, library);
    expect(changed.plan.changedCount).toBe(1);
    expect(changed.plan.grades[0]!.differences).toEqual([
      { field: 'Tensile strength, XY, dry', before: '45.5 MPa ± 1.8, sheet.csv', after: '44.1 MPa ± 1.8, sheet.csv' },
    ]);
  });
});

describe('errors and questions', () => {
  const head = 'Grade,Maker,Family,Density (g/cm³),Tensile strength (MPa)\n';
  test('an error names line and column, and nothing is written', async () => {
    const outcome = await plan(`${head}A,M,PETG,1.27,46\nB,M,PETG,heavy,46\n`);
    expect(messages(outcome)).toEqual(['3 Density (g/cm³): “heavy” is no number; Density needs one']);
    expect(outcome.writes).toEqual([]);
  });
  test('a cell corrected, or a line left out, lets the rest through', async () => {
    const text = `${head}A,M,PETG,1.27,46\nB,M,PETG,heavy,46\n`;
    expect((await plan(text, { corrections: [{ line: 3, column: 3, text: '1.28' }] })).writes).toHaveLength(2);
    expect((await plan(text, { leftOut: [3] })).writes.map(({ name }) => name)).toEqual(['A']);
  });
  test('a number no filament reaches is an error, not a value', async () =>
    expect(messages(await plan(`${head}A,M,PETG,1.27,46000000\n`))[0]).toContain('no filament reaches it'));
  test('no family, no maker: said for the row', async () => {
    expect(messages(await plan('Grade,Density (g/cm³)\nA,1.2\n'))[0]).toContain('The maker is missing');
    expect(messages(await plan('Grade,Maker,Density (g/cm³)\nXQ,M,1.2\n'))[0]).toContain('family is missing');
  });
  test('an unknown family, a column without a unit, a heat deflection without stress are asked, once each', async () => {
    const outcome = await plan(
      'Grade,Maker,Type,Tensile strength,HDT (°C)\nA,M,Superplast,46,70\nB,M,Superplast,47,71\n',
    );
    expect(outcome.plan.questions.map(({ kind, count }) => [kind, count])).toEqual([
      ['family', 2],
      ['unit', 2],
      ['hdt-stress', 2],
    ]);
    // A question is not an error as well.
    expect(outcome.plan.errorCount).toBe(0);
  });
  test('“1,250” alone is asked about; beside “1,5” it is not', async () => {
    const ask = await plan('Grade;Maker;Family;Tensile modulus (MPa)\nA;M;PETG;1,850\n');
    expect(ask.plan.questions.map(({ kind }) => kind)).toEqual(['decimal']);
    const thousand = await plan('Grade;Maker;Family;Tensile modulus (MPa)\nA;M;PETG;1,850\n', {
      answers: { decimal: 'point' },
    });
    expect(thousand.writes[0]!.observations[0]).toMatchObject({ value: 1850 });
    const clear = await plan('Grade;Maker;Family;Tensile modulus (GPa)\nA;M;PETG;1,850\nB;M;PETG;1,9\n');
    expect(clear.plan.questions).toEqual([]);
    expect(clear.writes[0]!.observations[0]).toMatchObject({ value: 1.85, unit: 'GPa' });
  });
  test('a name with the same words as one in the library is asked about; the same name is matched', async () => {
    const library = (await plan(`${head}Trade PETG,M,PETG,1.27,46\n`)).writes;
    const alike = await plan(`${head}PETG-Trade,M,PETG,1.28,46\n`, {}, library);
    expect(alike.plan.questions[0]).toMatchObject({ kind: 'same-grade' });
    const id = alike.plan.questions[0]!.id;
    expect(
      (await plan(`${head}PETG-Trade,M,PETG,1.28,46\n`, { answers: { [id]: 'same' } }, library)).plan,
    ).toMatchObject({ newCount: 0, changedCount: 1 });
    expect(
      (await plan(`${head}PETG-Trade,M,PETG,1.28,46\n`, { answers: { [id]: 'new' } }, library)).plan.newCount,
    ).toBe(1);
    expect((await plan(`${head}trade petg,m,PETG,1.28,46\n`, {}, library)).plan.questions).toEqual([]);
  });
  test('an answer that is none of the choices does not count', async () => {
    const outcome = await plan('Grade,Maker,Type,Density (g/cm³)\nA,M,Superplast,1.2\n', {
      answers: { 'family:Superplast': 'unobtainium' },
    });
    expect(outcome.writes).toEqual([]);
  });
});

describe('a row an observation', () => {
  const text = [
    'Material\tManufacturer\tPolymer\tProperty\tValue\tUnit\tDirection\tCondition\tTest method\tn',
    'Alpha\tM\tPA6\tTensile Modulus\t1.6 ± 0.1\tGPa\tflat\tconditioned\tISO 527-2\t5',
    'Alpha\tM\tPA6\tTensile strength\t55\tMPa\tupright\tdry\tISO 527-2\t3',
    'Alpha\tM\tPA6\tShininess\t9\t-\t\t\t\t',
    'Beta\tM\tPA12\tDensity\t1010\tkg/m³\t\t\tISO 1183\t',
  ].join('\n');
  test('words are brought to terms, rows of one grade together, an unknown property asked about', async () => {
    const outcome = await plan(text, { answers: { 'property:Shininess': 'ignore' } });
    expect(outcome.plan).toMatchObject({ layout: 'long', delimiter: '\t', newCount: 2, errorCount: 0 });
    expect(outcome.writes[0]!.observations).toMatchObject([
      {
        property: 'tensileModulus',
        value: 1.6,
        unit: 'GPa',
        standardDeviation: 0.1,
        orientation: 'XY',
        conditioning: 'conditioned',
        count: 5,
      },
      { property: 'tensileStrength', orientation: 'ZX', conditioning: 'dry' },
    ]);
    expect((await plan(text)).plan.questions).toMatchObject([{ kind: 'property', count: 1 }]);
  });
  test('a word that is not understood is an error in its column', async () =>
    expect(
      messages(await plan(text.replace('upright', 'sideways-ish'), { answers: { 'property:Shininess': 'ignore' } })),
    ).toEqual(['3 Direction: “sideways-ish” is not understood as build orientation']));
});

test('a column may be mapped otherwise than proposed, with unit and conditions of its own', async () => {
  const outcome = await plan('Grade,Maker,Family,X1\nA,M,PETG,46\n', {
    columns: [
      {
        column: 3,
        target: 'property.tensileStrength',
        unit: 'MPa',
        conditions: { orientation: 'ZX', specimen: 'printed' },
      },
    ],
  });
  expect(outcome.writes[0]!.observations[0]).toMatchObject({
    property: 'tensileStrength',
    value: 46,
    unit: 'MPa',
    orientation: 'ZX',
    specimen: 'printed',
  });
});

test('an error on line 9,999 of 10,000 is found there, and nothing is written', async () => {
  const rows = Array.from({ length: 10_000 }, (_, i) => `G${i},M,PETG,1.27,${i + 2 === 9999 ? 'oops' : '46'}`);
  const outcome = await plan(`Grade,Maker,Family,Density (g/cm³),Tensile strength (MPa)\n${rows.join('\n')}\n`);
  expect(messages(outcome)).toEqual(['9999 Tensile strength (MPa): “oops” is no number; Tensile strength needs one']);
  expect(outcome.plan.newCount).toBe(10_000);
  expect(outcome.writes).toEqual([]);
});

describe('units of the fields of a grade', () => {
  const one = async (heading: string, cell: string) => {
    const outcome = await plan(`Grade;Maker;Family;${heading}\nA;M;PETG;${cell}\n`);
    return outcome.writes[0] ?? messages(outcome)[0];
  };
  test('a heading in °F, a cell in °F, minutes, inches and USD/lb are brought to the field’s own unit', async () => {
    expect(await one('Drying temperature (°F)', '149')).toMatchObject({ process: { dryingC: 65 } });
    expect(await one('Drying temperature', '149 °F')).toMatchObject({ process: { dryingC: 65 } });
    expect(await one('Drying time', '90 min')).toMatchObject({ process: { dryingH: 1.5 } });
    expect(await one('Smallest nozzle', '0.0236 in')).toMatchObject({ process: { minimumNozzleMm: 0.59944 } });
    expect(await one('Nozzle temperature (°F)', '446–482')).toMatchObject({
      process: { nozzleC: { low: 230, high: 250 } },
    });
    expect(await one('Price (USD/lb)', '10')).toMatchObject({ pricePerKgUsd: 22.0462 });
    expect(await one('Price', '$ 20')).toContain('not a number');
    expect(await one('Price', '20 USD')).toMatchObject({ pricePerKgUsd: 20 });
  });
  test.each([
    ['Price (EUR/kg)', '20'],
    ['Price', '20 €'],
    ['Price (USD/spool)', '20'],
    ['Price per spool', '20'],
  ])('“%s” with “%s” is refused, not taken for USD/kg', async (heading, cell) =>
    expect(await one(heading, cell)).toContain('The price is not in USD for a kg or lb'),
  );
  test('a unit of another kind is refused at its cell', async () =>
    expect(await one('Drying time', '65 °C')).toContain('“°C” is not a unit here. Use h, min, s'));
});
