import { PROPERTIES } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { resolve } from '../../materials/resolving/resolve.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { libraryTable } from './libraryTable.ts';
import { findTableColumn, TABLE_COLUMNS } from './tableColumns.ts';

const { grades, machines } = sampleLibrary;
const at = { direction: 'in-plane', conditioning: 'dry' } as const;
const table = (columnIds: string[], where: Parameters<typeof libraryTable>[2]['at'] = at) =>
  libraryTable(grades, machines, { columnIds, at: where }, defaultCompanyRules);
const row = (id: string) => grades.findIndex((grade) => grade.id === id);

test('each cell is what resolve says, and unknown is neither zero nor a class', () => {
  const { values, evidence } = table(['tensileModulus', 'izodNotched']);
  grades.forEach((grade, i) => {
    const modulus = resolve(grade, 'tensileModulus', at, defaultCompanyRules);
    expect(values[0]![i]).toEqual(modulus.known ? modulus.value : Number.NaN);
  });
  const petg = row('tm-petg');
  expect([values[1]![petg], evidence[1]![petg]]).toEqual([Number.NaN, 0]);
});
test('heat deflection has a column a stress, and the higher stress gives in earlier', () => {
  const { values } = table(['heatDeflectionTemperature@0.45', 'heatDeflectionTemperature@1.8']);
  for (let i = 0; i < grades.length; i++) {
    const [soft, hard] = [values[0]![i]!, values[1]![i]!];
    if (!Number.isNaN(soft) && !Number.isNaN(hard)) expect(hard).toBeLessThan(soft);
  }
});
test('hot, every stiffness is lower', () => {
  const [cold, hot] = [table(['tensileModulus']), table(['tensileModulus'], { ...at, temperatureC: 60 })];
  const i = row('tm-petg');
  expect(hot.values[0]![i]).toBeLessThan(cold.values[0]![i]!);
  expect(hot.evidence[0]![i]).toBeGreaterThan(cold.evidence[0]![i]!);
});
test('an elastomer’s Charpy is no break, the flame class an index of its classes', () => {
  const { values } = table(['charpyNotched', 'flameClass']);
  expect(values[0]![row('qh-peba')]).toBe(Infinity);
  expect(values[1]![row('vp-unlisted')]).toBeNaN();
});
test('printable here: PETG fits a machine, PEEK with cautions, on an open frame not at all, an unlisted polymer is not known', () => {
  const { printable } = table([]);
  expect([printable[row('tm-petg')], printable[row('ht-peek')], printable[row('vp-unlisted')]]).toEqual([1, 2, 0]);
  const openOnly = machines.filter(({ enclosure }) => enclosure === 'open');
  expect(libraryTable(grades, openOnly, { columnIds: [], at }, defaultCompanyRules).printable[row('ht-peek')]).toBe(3);
});
test('unknown columns are passed over; every property but three has a column', () => {
  expect(table(['beauty', 'density']).columnIds).toEqual(['density']);
  expect(new Set(TABLE_COLUMNS.map(({ property }) => property)).size).toBe(PROPERTIES.length - 3);
  expect(findTableColumn('heatDeflectionTemperature@1.8')?.parameters).toEqual({ hdtStressMPa: 1.8 });
});
