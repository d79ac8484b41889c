import type { RecordBlock, RecordCell } from '@anvilstone/core/decisions';
import { DrawingView } from '../../charts/DrawingView.tsx';
import { Reserve } from '../../ui/Reserve.tsx';

interface Section {
  title: string | undefined;
  blocks: RecordBlock[];
}

/** The blocks of a record in their order, each heading with what it heads as a region of its own. */
export function RecordBlocks({ blocks }: { blocks: readonly RecordBlock[] }) {
  const sections: Section[] = [];
  for (const block of blocks) {
    if (block.kind === 'heading') sections.push({ title: block.text, blocks: [] });
    else if (sections.length === 0) sections.push({ title: undefined, blocks: [block] });
    else sections.at(-1)!.blocks.push(block);
  }
  return sections.map(({ title, blocks: own }) => (
    <section key={title ?? ''} aria-label={title} className="mt-5 first:mt-0">
      {title !== undefined && <h3 className="mb-1 break-after-avoid text-base">{title}</h3>}
      {own.map((block, i) => (
        <Block key={i} block={block} />
      ))}
    </section>
  ));
}

const TONES = {
  plain: '',
  quiet: 'text-sm text-quiet',
  strong: 'font-semibold text-unknown',
  warning: 'rounded border border-fail px-3 py-1.5 font-semibold text-fail',
} as const;

function Block({ block }: { block: RecordBlock }) {
  switch (block.kind) {
    case 'heading':
      return null;
    case 'text':
      return <p className={`mt-1 max-w-3xl whitespace-pre-line ${TONES[block.tone ?? 'plain']}`}>{block.text}</p>;
    case 'list':
      return (
        <ul className="mt-1 max-w-4xl list-disc pl-5">
          {block.items.map((item) => (
            <li key={item}>{item}</li>
          ))}
        </ul>
      );
    case 'facts':
      return (
        <dl className="mt-1 grid grid-cols-[11rem_minmax(0,1fr)] narrow:grid-cols-1 gap-x-4 gap-y-0.5">
          {block.rows.map(([label, text]) => (
            <div key={label} className="contents">
              <dt className="text-quiet">{label}</dt>
              <dd>{text}</dd>
            </div>
          ))}
        </dl>
      );
    case 'table':
      return <RecordTable block={block} />;
    case 'drawing':
      return (
        <figure className="mt-2 max-w-2xl break-inside-avoid">
          <figcaption className="text-sm font-semibold">{block.drawing.title}</figcaption>
          <DrawingView drawing={block.drawing} />
        </figure>
      );
  }
}

function RecordTable({ block: { head, rows, governs } }: { block: Extract<RecordBlock, { kind: 'table' }> }) {
  return (
    <table className="mt-2 w-full text-sm">
      <thead>
        <tr className="text-xs text-quiet">
          {head.map((title, i) => (
            <th key={`${i} ${title}`} scope="col" className="pr-3 pb-1 text-left font-normal">
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i} className={i === governs ? 'bg-ember-ground' : ''}>
            {row.map((cell, column) => (
              <td key={column} className="border-t border-line py-1 pr-3 align-top">
                <CellView cell={cell} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function CellView({ cell }: { cell: RecordCell }) {
  return typeof cell === 'string' ? cell : <Reserve reserve={cell.reserve} status={cell.status} />;
}
