import type { Grade } from '@anvilstone/schema';
import ExcelJS from 'exceljs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { sampleLibrary } from '../../education/sample/index.ts';
import { FileError } from '../../foundations/input/FileError.ts';
import { neutralised, restored } from './neutralise.ts';
import { planImport } from './planning/planImport.ts';
import { readImportFile } from './readers/index.ts';
import { findWriter, libraryWriters } from './writers/index.ts';
import { swellingArchive } from './testArchive.ts';

const asBytes = (written: string | Uint8Array) => (typeof written === 'string' ? strToU8(written) : written);
const read = async (written: string | Uint8Array, library: readonly Grade[] = []) =>
  planImport(await readImportFile(asBytes(written), {}), { fileName: 'round-trip', settings: {}, library });

/** Texts that break careless writers: separators, quotes, line ends, markup, formulas, marks of other scripts. */
const awkward: Grade = {
  ...sampleLibrary.grades[0]!,
  id: 'awkward',
  name: '=HYPERLINK("x");"quoted", <b>&amp; co</b>',
  maker: "'@Maker",
  note: 'two\nlines; tab\there, “quotes” & µ ∅ 漢',
  colours: ['+red', 'blue'],
  claims: [{ kind: 'food', statement: '-1 is no claim', scope: 'not-stated', reference: '@sheet' }],
};
const library = [...sampleLibrary.grades, awkward];

describe.each(libraryWriters.map((writer) => [writer.id, writer] as const))('%s', (_id, writer) => {
  test('comes back as it went out, into an empty library', async () => {
    const outcome = await read(await writer.write(library));
    expect(outcome.plan.issues.filter(({ severity }) => severity === 'error')).toEqual([]);
    expect(outcome.plan.questions).toEqual([]);
    expect(outcome.writes).toHaveLength(library.length);
    const byId = new Map(outcome.writes.map((grade) => [grade.id, grade]));
    for (const grade of library) expect(byId.get(grade.id)).toEqual(grade);
  });
  test('into the same library it changes nothing', async () =>
    expect((await read(await writer.write(library), library)).plan).toMatchObject({
      newCount: 0,
      changedCount: 0,
      unchangedCount: library.length,
    }));
});

describe('formulas', () => {
  test.each(['=1+1', '+1', '-1', '@x', "'=1", '\tx'])('%p is led by an apostrophe and comes back', (text) => {
    expect(neutralised(text)).toBe(`'${text}`);
    expect(restored(neutralised(text))).toBe(text);
  });
  test.each(["it's", "'quoted'", 'plain'])('%p stays as it is', (text) =>
    expect([neutralised(text), restored(text)]).toEqual([text, text]),
  );
  test('no text cell of the CSV starts with a formula sign', async () => {
    const csv = (await findWriter('csv')!.write([awkward])) as string;
    expect(csv).not.toMatch(/(^|,)"?[=@]/m);
  });
  test('no cell of the workbook is a formula', async () => {
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load((await findWriter('xlsx')!.write([awkward])) as unknown as ArrayBuffer);
    for (const sheet of workbook.worksheets)
      sheet.eachRow((row) => row.eachCell((cell) => expect(cell.formula).toBeUndefined()));
    expect(workbook.getWorksheet('Grades')!.getCell('B2').value).toBe(awkward.name);
  });
});

describe('files that are refused by name', () => {
  const refusal = async (file: Uint8Array) =>
    readImportFile(file, {}).then(
      () => 'read',
      (error: unknown) => (error instanceof FileError ? error.message : `not an FileError: ${String(error)}`),
    );
  const xml = (body: string) => strToU8(`<?xml version="1.0"?>${body}`);

  test('an empty file', async () => expect(await refusal(new Uint8Array())).toBe('The file is empty.'));
  test('XML with entities that reach other files', async () =>
    expect(
      await refusal(
        xml(
          '<!DOCTYPE x [<!ENTITY f SYSTEM "file:///etc/hostname">]><MatML_Doc><Material><BulkDetails><Name>&f;</Name></BulkDetails></Material></MatML_Doc>',
        ),
      ),
    ).toContain('document type or entities'));
  test('XML nested without end', async () =>
    expect(await refusal(xml('<a>'.repeat(5000)))).toContain('nested more than'));
  test('XML that is not MatML', async () => expect(await refusal(xml('<html></html>'))).toContain('not MatML'));
  test('an archive of another kind', async () =>
    expect(await refusal(zipSync({ 'a.txt': strToU8('x') }))).toContain('neither a workbook'));
  test('a workbook that swells to more than the limit', async () => {
    const bomb = swellingArchive('xl/worksheets/sheet1.xml', 210_000_000, { 'xl/workbook.xml': strToU8('<x/>') });
    expect(bomb.length).toBeLessThan(1_000_000);
    expect(await refusal(bomb)).toContain('unpacks to more than 200 MB');
  });
  test('a data package that points outside of itself', async () =>
    expect(
      await refusal(
        zipSync({ 'datapackage.json': strToU8('{"resources":[{"name":"r","path":"../../etc/hostname"}]}') }),
      ),
    ).toContain('not a file inside the archive'));
  test('a broken archive', async () =>
    expect(await refusal(strToU8('PK\u0003\u0004 this is not an archive at all'))).toMatch(/broken/));
  test('an old workbook and a PDF', async () => {
    expect(await refusal(new Uint8Array([0xd0, 0xcf, 0x11, 0xe0]))).toContain('.xls');
    expect(await refusal(strToU8('%PDF-1.7'))).toContain('PDF');
  });
  test('a quotation mark that never closes', async () =>
    expect(await refusal(strToU8('Grade,Maker\n"A,M\nB,M\n'))).toContain('never closed'));
  test('JSON without grades, and no JSON', async () => {
    expect(await refusal(strToU8('{"a":1}'))).toContain('holds no grades');
    expect(await refusal(strToU8('{"a":'))).toContain('not JSON');
  });
  test('too many rows', async () =>
    expect(await refusal(strToU8(`Grade,Maker\n${'A,M\n'.repeat(50_001)}`))).toContain('at most 50000 are read'));
});

test('other encodings: UTF-16 with byte order mark, and Windows-1252', async () => {
  const text = 'Grade,Maker,Family,HDT 0.45 MPa (°C)\nÄlpha,M,PETG,70\n';
  const utf16 = new Uint8Array(2 + text.length * 2);
  utf16.set([0xff, 0xfe]);
  [...text].forEach((char, i) => utf16.set([char.charCodeAt(0) & 255, char.charCodeAt(0) >> 8], 2 + i * 2));
  const latin = Uint8Array.from([...text].map((char) => char.charCodeAt(0)));
  for (const file of [utf16, latin])
    expect((await read(file)).writes[0]).toMatchObject({ name: 'Älpha', observations: [{ value: 70, unit: '°C' }] });
});

test('a workbook that is not ours: its first filled sheet is read, another may be asked for', async () => {
  const workbook = new ExcelJS.Workbook();
  workbook.addWorksheet('Cover');
  workbook.addWorksheet('Data').addRows([
    ['Grade', 'Maker', 'Family', 'Density (g/cm³)'],
    ['A', 'M', 'PETG', { formula: '1+0.27', result: 1.27 }],
  ]);
  workbook.addWorksheet('Other').addRows([
    ['Grade', 'Maker', 'Family'],
    ['B', 'M', 'PLA'],
  ]);
  const file = new Uint8Array(await workbook.xlsx.writeBuffer());
  const first = await readImportFile(file, {});
  expect([first.sheet, first.sheets]).toEqual(['Data', ['Cover', 'Data', 'Other']]);
  expect(first.table!.rows[0]!.cells[3]).toBe('1.27');
  expect((await readImportFile(file, { sheet: 'Other' })).table!.rows[0]!.cells[0]).toBe('B');
});

test('MatML of others: names, units and parameters are read as far as they are known', async () => {
  const xml = `<?xml version="1.0"?><MatML_Doc><Material><BulkDetails><Name>Foreign PA 6</Name><Class><Name>PA6</Name></Class><Source source="Somewhere"/>
    <PropertyData property="a"><Data format="float">2.9</Data><ParameterValue parameter="t" format="float"><Data>23</Data></ParameterValue></PropertyData>
    </BulkDetails></Material><Metadata><PropertyDetails id="a"><Name>Young's modulus</Name><Units name="GPa"/></PropertyDetails>
    <ParameterDetails id="t"><Name>Temperature</Name><Units name="C"/></ParameterDetails></Metadata></MatML_Doc>`;
  const { writes } = await read(xml);
  expect(writes[0]).toMatchObject({
    name: 'Foreign PA 6',
    maker: 'Somewhere',
    familyId: 'pa6',
    observations: [{ property: 'tensileModulus', value: 2.9, unit: 'GPa', temperatureC: 23 }],
  });
});

test('the data package names every column with its type', async () => {
  const files = unzipSync((await findWriter('data-package')!.write(library)) as Uint8Array);
  const descriptor = JSON.parse(new TextDecoder().decode(files['datapackage.json'])) as {
    resources: { path: string; schema: { fields: { name: string }[] } }[];
  };
  for (const { path, schema } of descriptor.resources) {
    const header = new TextDecoder().decode(files[path]).split('\r\n')[0]!;
    expect(header.replaceAll('"', '')).toBe(schema.fields.map(({ name }) => name).join(','));
  }
});
