import type { ImportSettings } from '@anvilstone/schema';
import ExcelJS from 'exceljs';
import { FileError, repacked } from '@anvilstone/core/foundations';
import type { RawTable, TableRow } from '../table.ts';
import { tableOf } from './csv.ts';
import { joinTables } from './joinTables.ts';

/** Pictures and fonts are left out. */
const OF_SHEETS = /\.(xml|rels)$/i;

export interface XlsxFile {
  sheets: string[];
  sheet: string | null;
  table: RawTable;
}

/**
 * A workbook: the sheet that is asked for, else the first with a table; our own three sheets are joined to one table.
 * Formulas count with the value the spreadsheet program stored; one without a stored value is an empty cell.
 * @throws FileError broken, too large when unpacked, no such sheet, no table
 */
export async function readXlsx(
  bytes: Uint8Array,
  settings: Pick<ImportSettings, 'sheet' | 'headerLine'>,
): Promise<XlsxFile> {
  const sheetsOnly = repacked(bytes, (name) => OF_SHEETS.test(name));
  const workbook = new ExcelJS.Workbook();
  try {
    await workbook.xlsx.load(sheetsOnly as unknown as ArrayBuffer);
  } catch (error) {
    throw new FileError(`The workbook cannot be read: ${(error as Error).message}.`);
  }
  const sheets = workbook.worksheets.map(({ name }) => name);
  if (settings.sheet === undefined) {
    const joined = joinTables(workbook.worksheets.map((sheet) => ({ name: sheet.name, lines: linesOf(sheet) })));
    if (joined) return { sheets, sheet: null, table: joined };
  }
  const sheet = settings.sheet === undefined ? firstFilled(workbook) : workbook.getWorksheet(settings.sheet);
  if (!sheet)
    throw new FileError(`There is no sheet “${settings.sheet ?? ''}” with a table; it has ${sheets.join(', ')}.`);
  return { sheets, sheet: sheet.name, table: tableOf(linesOf(sheet), settings.headerLine, sheet.name) };
}

const firstFilled = (workbook: ExcelJS.Workbook) => workbook.worksheets.find((sheet) => sheet.actualRowCount > 1);

function linesOf(sheet: ExcelJS.Worksheet): TableRow[] {
  const lines: TableRow[] = [];
  sheet.eachRow({ includeEmpty: false }, (row, line) => {
    const cells: string[] = [];
    row.eachCell({ includeEmpty: false }, (cell, column) => {
      while (cells.length < column - 1) cells.push('');
      cells[column - 1] = textOf(cell.value);
    });
    lines.push({ line, cells });
  });
  return lines;
}

function textOf(value: ExcelJS.CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return String(value);
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('result' in value) return textOf(value.result as ExcelJS.CellValue);
  if ('text' in value) return textOf(value.text as ExcelJS.CellValue);
  if ('error' in value) return String(value.error);
  return '';
}
