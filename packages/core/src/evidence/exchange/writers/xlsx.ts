import type { Grade } from '@anvilstone/schema';
import ExcelJS from 'exceljs';
import { threeTables } from '../canonicalTable.ts';

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** A workbook of three sheets. Text cells are typed as text, so that none can run as a formula. */
export async function writeXlsx(grades: readonly Grade[]): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook();
  // A fixed date: the same library gives the same file.
  workbook.created = new Date(0);
  workbook.modified = new Date(0);
  for (const { name, header, rows } of threeTables(grades)) {
    const sheet = workbook.addWorksheet(capital(name), { views: [{ state: 'frozen', ySplit: 1 }] });
    sheet.addRow(header).font = { bold: true };
    for (const cells of rows) sheet.addRow(cells);
    header.forEach((title, i) => (sheet.getColumn(i + 1).width = Math.min(36, Math.max(10, title.length + 2))));
    sheet.autoFilter = { from: { row: 1, column: 1 }, to: { row: 1, column: header.length } };
  }
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
