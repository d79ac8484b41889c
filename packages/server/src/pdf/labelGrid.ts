import type { Content } from 'pdfmake/interfaces.js';
import { typeset } from './document.ts';

/** Labels across an A4 sheet. */
const ACROSS = 3;

/** A sheet of labels to cut out along dashed lines. */
export function labelGrid(title: string, cells: readonly Content[]): Promise<Buffer> {
  const rows: Content[][] = [];
  for (let i = 0; i < cells.length; i += ACROSS) {
    const row = cells.slice(i, i + ACROSS);
    rows.push([...row, ...Array.from({ length: ACROSS - row.length }, () => ({ text: '' }))]);
  }
  return typeset({ title, footer: `${title}: cut along the lines` }, [
    { text: title, style: 'h2' },
    {
      table: { widths: Array.from({ length: ACROSS }, () => '*'), body: rows, dontBreakRows: true },
      layout: {
        hLineStyle: () => ({ dash: { length: 3 } }),
        vLineStyle: () => ({ dash: { length: 3 } }),
        hLineWidth: () => 0.5,
        vLineWidth: () => 0.5,
        paddingTop: () => 6,
        paddingBottom: () => 6,
      },
    } as Content,
  ]);
}
