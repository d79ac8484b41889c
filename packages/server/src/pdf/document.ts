import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import pdfmake from 'pdfmake';
import roboto from 'pdfmake/fonts/Roboto.js';

const FONT_FILES = new Set(Object.values(roboto).flatMap((font) => Object.values(font) as string[]));

pdfmake.setFonts(roboto);
// Nothing in a document may make the server fetch or read something.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => FONT_FILES.has(path));

/** The fonts that drawings in a document may name. */
export const PDF_FONT = 'Roboto';

/** A typeset document, A4, with what every one of ours has: margins, headings, a footer with page numbers. */
export function typeset(
  about: { title: string; footer: string; landscape?: boolean },
  content: Content[],
): Promise<Buffer> {
  const definition: TDocumentDefinitions = {
    pageSize: 'A4',
    pageOrientation: about.landscape ? 'landscape' : 'portrait',
    pageMargins: [48, 48, 48, 56],
    info: { title: about.title },
    defaultStyle: { font: PDF_FONT, fontSize: 9, lineHeight: 1.2 },
    styles: {
      h1: { fontSize: 17, bold: true },
      h2: { fontSize: 11, bold: true, margin: [0, 12, 0, 4] },
      quiet: { color: '#555555' },
    },
    footer: (page, pages) => ({
      text: `${about.footer} · page ${page} of ${pages}`,
      style: 'quiet',
      margin: [48, 16, 48, 0],
      fontSize: 8,
    }),
    content,
  };
  return pdfmake.createPdf(definition).getBuffer();
}

export const head = (...titles: string[]): TableCell[] =>
  titles.map((text) => ({ text, bold: true, fillColor: '#eeece8' }));

export function table(body: TableCell[][], widths: (string | number)[]): Content {
  return {
    table: { headerRows: 1, widths, body, dontBreakRows: true },
    layout: 'lightHorizontalLines',
    margin: [0, 4, 0, 0],
  };
}

export const STATUS_WORDS = {
  pass: 'passes',
  fail: 'fails',
  unknown: 'unknown',
  'not-loaded': 'not stressed',
} as const;
