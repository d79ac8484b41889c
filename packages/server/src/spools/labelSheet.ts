import type { Grade, Spool } from '@anvilstone/schema';
import type { Content } from 'pdfmake/interfaces.js';
import { labelsInThread } from '../exchange/pool.ts';

const CODE_PT = 62;

/** A sheet of labels to cut out: a code that leads to the spool, its short name large, and what must never be mixed up. */
export function labelSheet(
  spools: readonly Spool[],
  gradeOf: (id: string) => Grade | undefined,
  base: string,
): Promise<Buffer> {
  return labelsInThread(
    'Spool labels',
    spools.map((spool) => label(spool, gradeOf(spool.gradeId), base)),
  );
}

function label(spool: Spool, grade: Grade | undefined, base: string): Content {
  const lines = [
    grade ? grade.name : `grade ${spool.gradeId}`,
    grade ? grade.maker : '',
    `${spool.colour}, ${spool.filamentDiameterMm} mm${spool.lot ? `, lot ${spool.lot}` : ''}`,
    `${spool.netMassG} g new, reel ${spool.emptyReelG} g`,
    spool.supply === 'closed' ? 'closed supply' : '',
  ].filter(Boolean);
  return {
    columns: [
      { qr: `${base}/spools/${spool.id}`, fit: CODE_PT, width: CODE_PT + 6 },
      {
        width: '*',
        stack: [
          { text: spool.id, fontSize: 16, bold: true },
          ...lines.map((text) => ({ text, fontSize: 7 })),
          ...(spool.sampleData ? [{ text: 'sample data', fontSize: 6, color: '#8a5a00' }] : []),
        ],
      },
    ],
    columnGap: 4,
  };
}
