import type { Check } from './engine/check.ts';
import { unknown } from './engine/outcome.ts';

/** Whether an allowed machine can print the grade at this size and orientation. Has no reserve: it fits or it does not. */
export const printable: Check = {
  id: 'printable',
  title: 'Printability',
  asks: 'Can one of the allowed machines print it in this orientation without damage?',
  worseWhenLarger: true,
  applies: () => true,
  evaluate({ fit, material }, working) {
    if (!fit) {
      const why = material.family ? 'none of the allowed machines is available' : material.behaviourGaps[0];
      return unknown('', [`Printability: ${why ?? 'process window not known'}`]);
    }
    working?.add('', 'Nearest machine', fit.machine.name, '');
    for (const finding of fit.findings)
      working?.add('', finding.verdict === 'blocker' ? 'Blocker' : 'Caution', finding.text, '');
    if (fit.findings.length === 0) working?.add('', 'No issues', 'fits', '');
    return {
      checkId: '',
      status: fit.verdict === 'blocker' ? 'fail' : 'pass',
      demand: null,
      capacity: null,
      unit: '',
      reserve: null,
      evidence: 'D',
      gaps: [],
      reason: fit.summary,
      loadCaseId: null,
      placeId: null,
    };
  },
};
