import { decimalEvidence, readCell } from './readCell.ts';
import { familyInName, matchFamily, matchFiller } from './familyMatch.ts';
import { headerMeaning, propertyOf } from './headerMeaning.ts';
import { plausibility } from './plausible.ts';

describe('a cell of a data sheet', () => {
  test.each([
    ['2400', { value: 2400, unit: '' }],
    ['2 400 MPa', { value: 2400, unit: 'MPa' }],
    ['1,95 GPa', { value: 1.95, unit: 'GPa' }],
    ['1.234,5', { value: 1234.5 }],
    ['1,234.5', { value: 1234.5 }],
    ["1'234.5", { value: 1234.5 }],
    ['50–60', { low: 50, high: 60 }],
    ['50 to 60 MPa', { low: 50, high: 60, unit: 'MPa' }],
    ['45 ± 2 MPa', { value: 45, spread: 2, unit: 'MPa' }],
    ['45,5 +/- 1,8', { value: 45.5, spread: 1.8 }],
    ['> 1e13', { value: 1e13, bound: 'atLeast' }],
    ['>10x10^12 Ω', { value: 1e13, bound: 'atLeast', unit: 'Ω' }],
    ['≤ 0.1 %', { value: 0.1, bound: 'atMost', unit: '%' }],
    ['−30 °C', { value: -30, unit: '°C' }],
    ['140 °F', { value: 140, unit: '°F' }],
    ['70 1e-6/K', { value: 70, unit: '1e-6/K' }],
    ['4.2 ft-lb/in', { value: 4.2, unit: 'ft-lb/in' }],
  ])('%s', (text, expected) =>
    expect(readCell(text, 'point')).toMatchObject({ kind: 'number', ambiguous: false, ...expected }),
  );

  test.each(['', '-', '–', 'n/a', 'N.A.', 'nd', 'TBD', 'not tested'])('“%s” is empty and not zero', (text) =>
    expect(readCell(text, 'point')).toEqual({ kind: 'empty' }),
  );
  test.each(['NB', 'n.b.', 'no break'])('“%s” is no break', (text) =>
    expect(readCell(text, 'point')).toEqual({ kind: 'words', text: 'no break' }),
  );
  test('“1,250” is read by the decimal sign of the file, and said to be ambiguous', () => {
    expect(readCell('1,250', 'comma')).toMatchObject({ value: 1.25, ambiguous: true });
    expect(readCell('1,250', 'point')).toMatchObject({ value: 1250, ambiguous: true });
  });
  test('a range that runs backwards is an error', () =>
    expect(readCell('60–50', 'point')).toMatchObject({ kind: 'error' }));
  test('words are not taken for numbers', () =>
    expect(readCell('see note 2', 'point')).toEqual({ kind: 'words', text: 'see note 2' }));
  test.each([
    ['1,5', 'comma'],
    ['1.5', 'point'],
    ['1,250', 'either'],
    ['12', 'none'],
    ['1.234.567', 'comma'],
    ['0,125', 'comma'], // nobody writes a thousand as 0,125
  ])('%s shows %s', (text, evidence) => expect(decimalEvidence(text)).toBe(evidence));
});

describe('a heading', () => {
  test.each([
    [
      'Tensile modulus XY, printed, dry (MPa)',
      'property.tensileModulus',
      'MPa',
      { orientation: 'XY', specimen: 'printed', conditioning: 'dry' },
    ],
    ['Flexural Strength [psi]', 'property.flexuralStrength', 'psi', {}],
    ['HDT @ 0.45 MPa (°C)', 'property.heatDeflectionTemperature', '°C', { hdtStressMPa: 0.45 }],
    ['HDT 264 psi, °F', 'property.heatDeflectionTemperature', '°F', { hdtStressMPa: 1.8 }],
    ['Izod impact, notched (ft-lb/in)', 'property.izodNotched', 'ft-lb/in', {}],
    ['Charpy unnotched kJ/m²', 'property.charpyUnnotched', 'kJ/m²', {}],
    ['Young’s modulus at 80 °C (GPa)'.replace('’', "'"), 'property.tensileModulus', 'GPa', { temperatureC: 80 }],
    [
      'MFR 230 °C/2.16 kg (g/10 min)',
      'property.meltFlowRate',
      'g/10 min',
      { meltFlowTemperatureC: 230, meltFlowMassKg: 2.16 },
    ],
    ['UL 94 at 1.6 mm', 'property.flameClass', null, { thicknessMm: 1.6 }],
    ['Strain at yield, Z (%)', 'property.elongationYield', '%', { orientation: 'ZX' }],
    ['Tensile stress at yield', 'property.yieldStrength', null, {}],
    ['Product name', 'grade.name', null, {}],
    ['Nozzle temperature (°C)', 'grade.process.nozzleC', '°C', {}],
    ['Price (USD/kg)', 'grade.pricePerKgUsd', null, {}],
    ['Favourite song', 'ignore', null, {}],
    ['Tensile modulus, annealed (MPa)', 'property.tensileModulus', 'MPa', { crystallinity: 'crystallised' }],
    ['Crystallinity', 'observation.crystallinity', null, {}],
  ])('%s', (header, target, unit, conditions) => expect(headerMeaning(header)).toEqual({ target, unit, conditions }));
  test('names of properties as sheets write them', () => {
    expect(propertyOf('Tensile Strength')).toBe('tensileStrength');
    expect(propertyOf('E-Modulus')).toBe('tensileModulus');
    expect(propertyOf('charpyNotched')).toBe('charpyNotched');
    expect(propertyOf('Shininess')).toBeUndefined();
  });
});

describe('family and filler', () => {
  test.each([
    ['PETG', 'petg', null],
    ['PA6-CF15', 'pa6', 'carbon-15'],
    ['Nylon 12', 'pa12', null],
    ['PP GF 30 %', 'pp', 'glass-30'],
    ['polycarbonate', 'pc', null],
    ['TPU 95A', 'tpu-95a', null],
  ])('%s', (text, familyId, reinforcementId) => expect(matchFamily(text)).toEqual({ familyId, reinforcementId }));
  test('a share that is not listed is not guessed at', () => {
    expect(matchFiller('carbon 45 %')).toBeUndefined();
    expect(matchFiller('unfilled')).toBeNull();
  });
  test('a name with two polymers in it says nothing', () => {
    expect(familyInName('Brightline PETG')).toMatchObject({ familyId: 'petg' });
    expect(familyInName('PLA to PETG transition')).toBeUndefined();
  });
  test('an unknown name is not forced into a family', () => expect(matchFamily('Superplast 3')).toBeUndefined());
});

describe('can the number be what it says', () => {
  test('2.15 MPa is no modulus of ABS; in GPa it fits', () =>
    expect(plausibility(2.15, 'MPa', 'tensileModulus', 'abs', null)).toMatchObject({
      verdict: 'unit-slip',
      otherUnit: 'GPa',
    }));
  test('178 °C for the heat deflection of PETG is likely 178 °F (81 °C)', () =>
    expect(plausibility(178, '°C', 'heatDeflectionTemperature', 'petg', null)).toMatchObject({
      verdict: 'unit-slip',
      otherUnit: '°F',
    }));
  test('1270 g/cm³ is likely kg/m³', () =>
    expect(plausibility(1270, 'g/cm³', 'density', 'petg', null)).toMatchObject({
      verdict: 'unit-slip',
      otherUnit: 'kg/m³',
    }));
  test('carbon-filled polyamide may well have 7 GPa', () =>
    expect(plausibility(7, 'GPa', 'tensileModulus', 'pa6', 'carbon-15').verdict).toBe('likely'));
  test('unusual is not impossible, impossible is', () => {
    expect(plausibility(0.3, 'g/cm³', 'density', 'petg', null).verdict).toBe('unusual');
    expect(plausibility(-5, '%', 'oxygenIndex', 'petg', null).verdict).toBe('impossible');
  });
  test('without a family only the physically possible is asked', () =>
    expect(plausibility(30, 'MPa', 'tensileStrength', undefined, null).verdict).toBe('likely'));
});
