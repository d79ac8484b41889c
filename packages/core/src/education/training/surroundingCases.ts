import { practiceBrief } from './brief.ts';
import type { PracticeCase } from './practiceCase.ts';

export const surroundingCases: readonly PracticeCase[] = [
  {
    id: 'rinsed-window',
    title: 'A cover that is washed down',
    story:
      'A round cover of 90 mm, clamped at its rim, holds back 0.5 bar at 30 °C. It is splashed with detergent for 500 h in its life.',
    brief: practiceBrief({
      title: 'Cover of the wash pump',
      purpose: 'Closes the pump housing. Washed down with the rest of the machine.',
      part: { model: 'plate', shape: 'round', lengthMm: 90, widthMm: 90, thicknessMm: 3, edges: 'clamped' },
      loadCases: [
        {
          id: 'pressure',
          name: 'Water behind it',
          pressureMPa: 0.05,
          durationH: 5000,
          temperatureC: 30,
          safetyFactor: 2,
          actsWhenHot: true,
          maxSagMm: 2,
        },
      ],
      asks: { fluids: [{ agentId: 'detergent', contact: 'splash', temperatureC: 25, hours: 500 }] },
    }),
    gradeIds: ['ol-pc', 'tm-abs', 'vp-pp', 'tm-petg'],
    checkIds: ['stress-cracking', 'strength-in-plane', 'sag-after-duration'],
    remarks: {
      'ol-pc':
        'The strongest of the four. Detergent attacks it, and under tension it crazes: a crack that needs neither overload nor heat.',
      'tm-abs':
        'The table has nothing against detergent at rest. Held under this tension it is past what its family stands.',
      'vp-pp': 'No cleaner does anything to it. It is too soft for the pressure.',
      'tm-petg': 'Stands the detergent and the pressure. What governs it is plain strength.',
    },
    lesson:
      'Fluids crack amorphous plastics under stress. Ask what touches it while it is loaded, not whether a cube of it dissolves in a jar.',
  },
  {
    id: 'board-rest',
    title: 'A rest for circuit boards, in the warm',
    story:
      'Boards lie on a plate of 120 × 80 mm in dry winter air at 25 °C. It must bleed off charge (dissipative at 30 % humidity), and stand 75 °C in the drying cabinet under load.',
    brief: practiceBrief({
      title: 'Board rest, drying cabinet',
      purpose: 'Boards lie on it while they dry. A charge that jumps would cost a board.',
      part: { model: 'plate', shape: 'rectangular', lengthMm: 120, widthMm: 80, thicknessMm: 3, edges: 'supported' },
      loadCases: [
        {
          id: 'boards',
          name: 'Boards',
          pressureMPa: 0.001,
          durationH: 100,
          temperatureC: 25,
          safetyFactor: 2,
          actsWhenHot: true,
          maxSagMm: 1,
        },
      ],
      asks: { electrostatic: { range: 'dissipative', driestRhPct: 30 }, heat: { steadyC: 75 } },
    }),
    gradeIds: ['ol-pa6-cf', 'tm-abs', 'ne-petg-esd', 'vp-asa-esd'],
    checkIds: ['electrostatic', 'heat-steady', 'sag-after-duration'],
    remarks: {
      'ol-pa6-cf':
        'Black and full of carbon, and nobody has measured its surface. That is unknown, and unknown is no pass: it may conduct far too well.',
      'tm-abs': 'Stands the warmth. It insulates: charge stays where it is until it jumps.',
      'ne-petg-esd': 'Made for this, with a stated resistance. Its plate creeps too far in the warm cabinet.',
      'vp-asa-esd': 'Dissipative as stated, and holds the warmth, just.',
    },
    lesson:
      'Carbon-filled is not the same as dissipative. Look for a stated surface resistance, at your humidity; and an unknown is a question, not an answer.',
  },
];
