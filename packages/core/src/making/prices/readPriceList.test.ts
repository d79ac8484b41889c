import { readPriceList, type PricedGrade } from './readPriceList.ts';

const grade = (id: string, name: string, maker: string, pricePerKgUsd: number | null): PricedGrade => ({
  grade: { id, name, maker, pricePerKgUsd },
  revision: 3,
});
const ours = [
  grade('a', 'Veld ASA Drain', 'Veld', 30),
  grade('b', 'Trade', 'Osk', 20),
  grade('c', 'Trade', 'Nine', null),
];
const read = (rows: string, header = 'Article;Name;Maker;Spool g;Price USD;Supply') => {
  const found = readPriceList(`${header}\n${rows}`, ours);
  if (typeof found === 'string') throw new Error(found);
  return found;
};

test('a price of a spool is one of a kilogram: 24 USD for 750 g are 32 USD/kg', () => {
  expect(read('77;veld asa drain;;750;24.00;open')).toEqual([
    {
      line: 2,
      article: '77',
      name: 'veld asa drain',
      spoolG: 750,
      spoolUsd: 24,
      pricePerKgUsd: 32,
      supply: 'open',
      gradeId: 'a',
      gradeRevision: 3,
      beforeUsd: 30,
    },
  ]);
});
test('decimal commas, thousands, currency words and kilograms are read', () => {
  expect(read('1;Veld ASA Drain;;1;"24,50";', 'Article;Name;Maker;Net kg;Price;Supply')[0]!.pricePerKgUsd).toBe(24.5);
  expect(read('1;Veld ASA Drain;;1000;"1,250 USD";')[0]!.spoolUsd).toBe(1250);
});
test('two grades of one name: its maker tells, else it is said', () => {
  expect(read('1;Trade;Nine;1000;22;')[0]).toMatchObject({ gradeId: 'c', beforeUsd: null });
  expect(read('1;Trade;;1000;22;')[0]).toMatchObject({
    gradeId: null,
    problem: expect.stringMatching(/two of our/) as string,
  });
});
test('a line that is none keeps the others', () => {
  const found = read('1;Veld ASA Drain;;1000;-4;\n2;;;1000;22;\n3;Veld ASA Drain;;1000;31;\n4;Stranger;;1000;22;');
  expect(found.map(({ problem }) => problem !== undefined)).toEqual([true, true, false, false]);
  expect(found[3]!.gradeId).toBeNull();
});
test('a price that jumped, or cannot be, is doubted; a closed one is said to be', () => {
  expect(read('1;Veld ASA Drain;;1000;310;')[0]!.doubt).toMatch(/10 times what it cost/);
  expect(read('1;Veld ASA Drain;;1000;0.31;')[0]!.doubt).toMatch(/far from any filament/);
  expect(read('1;Veld ASA Drain;;1000;33;closed')[0]).toMatchObject({
    supply: 'closed',
    doubt: expect.any(String) as string,
  });
});
test('a list without the columns says which are missing', () => {
  expect(readPriceList('Name;Price\nA;1', ours)).toMatch(/how much is on a spool/);
  expect(readPriceList('Foo;Net g\nA;1', ours)).toMatch(/no column for the name/);
  expect(readPriceList('', ours)).toMatch(/empty/);
});
