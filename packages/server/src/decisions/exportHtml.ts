import { digestOf, recordDocument, type RecordBlock, type RecordCell } from '@anvilstone/core/decisions';
import { drawingSvg, formatReserve } from '@anvilstone/core/foundations';
import type { Decision, SignOff } from '@anvilstone/schema';
import { STATUS_WORDS } from '../pdf/document.ts';

/** The decision as one page that needs nothing else: no script, no font and no picture from elsewhere. Metric units. */
export function decisionHtml(decision: Decision, signOffs: readonly SignOff[] = []): string {
  const { title, line, blocks } = recordDocument(decision, signOffs, 'metric', digestOf(decision));
  return [
    '<!doctype html>',
    `<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title><style>${STYLE}</style></head>`,
    `<body><main><h1>${escaped(title)}</h1><p class="quiet">${escaped(line)}</p>`,
    ...blocks.map(blockHtml),
    '</main></body></html>',
    '',
  ].join('\n');
}

const STYLE = `body{font:15px/1.45 Archivo,Helvetica,Arial,sans-serif;color:#22211e;background:#fff;margin:0}
main{max-width:60rem;margin:2rem auto;padding:0 1.5rem}h1{font-size:1.6rem;margin:0}h2{font-size:1.1rem;margin:1.8rem 0 .4rem;break-after:avoid}
table{border-collapse:collapse;width:100%;font-size:.85rem;font-variant-numeric:tabular-nums}th,td{text-align:left;vertical-align:top;border-bottom:1px solid #d5d0c5;padding:.3rem .6rem .3rem 0}
thead th{color:#5f5b52;font-weight:normal}tr.governs{background:#fbe9dc}figure{margin:.8rem 0;break-inside:avoid}figcaption{font-weight:bold}
svg{max-width:100%;height:auto}.quiet{color:#5f5b52}.strong{font-weight:bold}.warning{color:#a8470f;font-weight:bold;border:1px solid;padding:.4rem .7rem}
p,li{white-space:pre-line;max-width:50rem}dl{display:grid;grid-template-columns:12rem 1fr;gap:.15rem 1rem;margin:0}dt{color:#5f5b52}dd{margin:0}`;

function blockHtml(block: RecordBlock): string {
  switch (block.kind) {
    case 'heading':
      return `<h2>${escaped(block.text)}</h2>`;
    case 'text':
      return `<p${block.tone ? ` class="${block.tone}"` : ''}>${escaped(block.text)}</p>`;
    case 'list':
      return `<ul>${block.items.map((item) => `<li>${escaped(item)}</li>`).join('')}</ul>`;
    case 'facts':
      return `<dl>${block.rows.map(([label, text]) => `<dt>${escaped(label)}</dt><dd>${escaped(text)}</dd>`).join('')}</dl>`;
    case 'table':
      return [
        `<table><thead><tr>${block.head.map((title) => `<th scope="col">${escaped(title)}</th>`).join('')}</tr></thead><tbody>`,
        ...block.rows.map(
          (row, i) =>
            `<tr${i === block.governs ? ' class="governs"' : ''}>${row.map((cell) => `<td>${escaped(words(cell))}</td>`).join('')}</tr>`,
        ),
        '</tbody></table>',
      ].join('\n');
    case 'drawing':
      return `<figure><figcaption>${escaped(block.drawing.title)}</figcaption>${drawingSvg(block.drawing)}</figure>`;
  }
}

function words(cell: RecordCell): string {
  if (typeof cell === 'string') return cell;
  const { reserve, status } = cell;
  return reserve === null ? STATUS_WORDS[status] : `${formatReserve(reserve)}${status === 'fail' ? ' fails' : ''}`;
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
