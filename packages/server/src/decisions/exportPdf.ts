import { digestOf, recordDocument, type RecordBlock, type RecordCell } from '@anvilstone/core/decisions';
import { drawingSvg, formatReserve } from '@anvilstone/core/foundations';
import type { Decision, SignOff } from '@anvilstone/schema';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { head, PDF_FONT, STATUS_WORDS, table, typeset } from '../pdf/document.ts';

const WARM = '#a8470f';
const GOVERNS = '#fbe9dc';

/** The decision as a typeset document, A4, metric units; its charts are vectors and its text can be selected. */
export function decisionPdf(decision: Decision, signOffs: readonly SignOff[] = []): Promise<Buffer> {
  const { title, line, blocks } = recordDocument(decision, signOffs, 'metric', digestOf(decision));
  return typeset({ title, footer: `Decision ${decision.number} · engine ${decision.engineVersion}` }, [
    { text: title, style: 'h1' },
    { text: line, style: 'quiet', margin: [0, 0, 0, 8] },
    ...keptTogether(blocks.map(content), blocks),
  ]);
}

/** Tables and lists of more than this many rows are begun wherever there is room. */
const SHORT = 6;
const isShort = (block: RecordBlock | undefined): boolean => {
  switch (block?.kind) {
    case 'drawing':
    case 'text':
    case 'facts':
      return true;
    case 'table':
      return block.rows.length <= SHORT;
    case 'list':
      return block.items.length <= SHORT;
    default:
      return false;
  }
};

/** A heading stays with what it heads, where that is short or cannot be broken. */
function keptTogether(contents: Content[], blocks: readonly RecordBlock[]): Content[] {
  const kept: Content[] = [];
  for (let i = 0; i < contents.length; i++) {
    if (blocks[i]!.kind === 'heading' && isShort(blocks[i + 1])) {
      kept.push({ unbreakable: true, stack: [contents[i]!, contents[i + 1]!] });
      i += 1;
    } else kept.push(contents[i]!);
  }
  return kept;
}

function content(block: RecordBlock): Content {
  switch (block.kind) {
    case 'heading':
      return { text: block.text, style: 'h2', headlineLevel: 1 };
    case 'text':
      return { text: block.text, margin: [0, 2, 0, 0], ...TONES[block.tone ?? 'plain'] };
    case 'list':
      return { ul: [...block.items], margin: [0, 4, 0, 0] };
    case 'facts':
      return {
        table: {
          widths: [110, '*'],
          body: block.rows.map(([label, text]) => [{ text: label, color: '#555555' }, text]),
        },
        layout: 'noBorders',
      };
    case 'table':
      return {
        ...(table(
          [head(...block.head), ...block.rows.map((row, i) => row.map((cell) => cellOf(cell, i === block.governs)))],
          block.head.map((_, i) => (i === block.wide ? '*' : 'auto')),
        ) as object),
        fontSize: block.head.length > 6 ? 7.5 : 8.5,
      } as Content;
    case 'drawing':
      return {
        unbreakable: true,
        stack: [
          { text: block.drawing.title, bold: true, margin: [0, 6, 0, 2] },
          { svg: drawingSvg(block.drawing, PDF_FONT), width: 440 },
        ],
      };
  }
}

const TONES = {
  plain: {},
  quiet: { italics: true },
  strong: { bold: true },
  warning: { bold: true, color: WARM },
} as const;

function cellOf(cell: RecordCell, governs: boolean): TableCell {
  const fill = governs ? { fillColor: GOVERNS } : {};
  if (typeof cell === 'string') return { text: cell, ...fill };
  const { reserve, status } = cell;
  const shown =
    reserve === null ? STATUS_WORDS[status] : `${formatReserve(reserve)}${status === 'fail' ? ' fails' : ''}`;
  return { text: shown, bold: governs, noWrap: true, ...fill };
}
