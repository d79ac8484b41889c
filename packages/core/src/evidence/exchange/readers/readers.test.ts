import { strToU8 } from 'fflate';
import { readCsv } from './csv.ts';
import { detectFormat } from './detectFormat.ts';
import { findHeaderLine } from './findHeaderLine.ts';
import { readJsonGrades } from './json.ts';

const csv = (text: string, settings = {}) => readCsv(strToU8(text), settings);

describe('columns', () => {
  test.each([
    [',', 'a,b,c\n1,2,3\n4,5,6'],
    [';', 'a;b;c\n1,5;2,5;3\n4;5;6,25'],
    ['\t', 'a\tb\tc\n1,5\t2\t3\n4\t5\t6'],
    ['|', 'a|b|c\n1|2,5|3\n4|5|6'],
  ])('parted by %p, whatever the decimals look like', (delimiter, text) => expect(csv(text).delimiter).toBe(delimiter));
  test('a separator that was chosen is used, even a wrong one', () =>
    expect(csv('a;b\n1;2', { delimiter: ',' }).header).toEqual(['a;b']));
  test('short rows are filled up, long ones keep their surplus under a heading without name', () => {
    const { header, rows } = csv('a,b\n1\n1,2,3');
    expect(header).toEqual(['a', 'b', '']);
    expect(rows.map(({ cells }) => cells)).toEqual([
      ['1', '', ''],
      ['1', '2', '3'],
    ]);
  });
  test('empty lines are passed over and counted: line numbers are those of the file', () =>
    expect(csv('a,b\n\n1,2\n\n\n3,4').rows.map(({ line }) => line)).toEqual([3, 6]));
  test('a quoted cell over two lines moves the numbers of the lines after it', () =>
    expect(csv('a,b\n"x\ny",2\n3,4').rows).toEqual([
      { line: 2, cells: ['x\ny', '2'] },
      { line: 4, cells: ['3', '4'] },
    ]));
  test('one line is no table', () => expect(() => csv('a,b')).toThrow('There is no table in it'));
  test('too many columns', () => expect(() => csv(`${'a,'.repeat(301)}\n1`)).toThrow('at most 300 are read'));
  test('a heading line that is not there', () => expect(() => csv('a,b\n1,2', { headerLine: 9 })).toThrow('Line 9'));
});

describe('the line that names the columns', () => {
  const at = (lines: string[][]) => findHeaderLine(lines.map((cells, i) => ({ line: i + 1, cells })));
  test('the first, where the file starts with it', () =>
    expect(
      at([
        ['Grade', 'Maker'],
        ['A', '1'],
        ['B', '2'],
      ]),
    ).toBe(0));
  test('below a title, an address and a remark', () =>
    expect(
      at([
        ['Some Works', '', ''],
        ['Overview 2026', '', ''],
        ['Product', 'Density (g/cm³)', 'Strength (MPa)'],
        ['A', '1.2', '40'],
      ]),
    ).toBe(2));
  test('numbers speak against a line', () =>
    expect(
      at([
        ['12', '13', '14'],
        ['Grade', 'Density', 'Price'],
        ['A', '1.2', '40'],
      ]),
    ).toBe(1));
});

describe('format by contents, not by name', () => {
  test.each([
    ['json', ' {"grades":[]}'],
    ['json', '[{}]'],
    ['matml', '<?xml version="1.0"?><MatML_Doc/>'],
    ['csv', 'Grade;Maker'],
  ])('%s', (format, text) => expect(detectFormat(strToU8(text))).toBe(format));
  test('a binary file is no text', () =>
    expect(() => detectFormat(new Uint8Array([65, 0, 66, 0, 0]))).toThrow('not a text file'));
});

test('JSON: a library, a list, one grade, or a decision, which holds its grades', () => {
  const grades = (document: unknown) => readJsonGrades(strToU8(JSON.stringify(document)));
  expect(grades({ grades: [1, 2], machines: [] })).toEqual([1, 2]);
  expect(grades([3])).toEqual([3]);
  expect(grades({ id: 'g', observations: [] })).toEqual([{ id: 'g', observations: [] }]);
  expect(grades({ format: 'anvilstone-decision/1', grades: [4] })).toEqual([4]);
});
