import { notches } from '@anvilstone/core/evidence';
import type { Campaign, Grade } from '@anvilstone/schema';
import type { Content } from 'pdfmake/interfaces.js';
import { labelsInThread } from '../exchange/pool.ts';

const CODE_PT = 46;
const WAYS = { XY: 'XY flat', XZ: 'XZ on edge', ZX: 'ZX upright' } as const;

/** A label for every specimen of a campaign: its mark large, what it is, how it is cut in, and a code that leads to it. */
export function specimenLabels(
  campaign: Campaign,
  gradeOf: (id: string) => Grade | undefined,
  base: string,
): Promise<Buffer> {
  const cells = campaign.specimens.map((specimen): Content => {
    const arm = campaign.arms.find(({ id }) => id === specimen.armId);
    const grade = arm && gradeOf(arm.gradeId);
    const lines = [
      grade ? `${grade.name}, ${grade.maker}` : (arm?.gradeId ?? ''),
      `${arm ? WAYS[arm.orientation] : ''}; cut in ${notches(specimen.armId)}`,
      `${specimen.conditioning}${specimen.spoolId ? `, spool ${specimen.spoolId}` : ''}${specimen.machineId ? `, ${specimen.machineId}` : ''}`,
    ];
    return {
      columns: [
        { qr: `${base}/bench/${campaign.id}?show=capture&specimen=${specimen.id}`, fit: CODE_PT, width: CODE_PT + 6 },
        {
          width: '*',
          stack: [
            { text: specimen.id, fontSize: 15, bold: true },
            ...lines.map((text) => ({ text, fontSize: 7 })),
            ...(campaign.sampleData ? [{ text: 'sample data', fontSize: 6, color: '#8a5a00' }] : []),
          ],
        },
      ],
      columnGap: 4,
    };
  });
  return labelsInThread(`Specimens of ${campaign.id}`, cells);
}
