import { practiceBrief } from './brief.ts';
import type { PracticeCase } from './practiceCase.ts';

export const waysToBreakCases: readonly PracticeCase[] = [
  {
    id: 'upright-post',
    title: 'A post that must be printed upright',
    story:
      'An 80 mm post grows out of a large base, so it can only be printed standing. It is pushed sideways with 30 N at its top.',
    brief: practiceBrief({
      title: 'Post on a base',
      purpose: 'A stop that carriers lean against. Its base fills the bed, so it stands in the print.',
      part: {
        model: 'cantilever-arm',
        spanMm: 80,
        section: { kind: 'rectangle', widthMm: 12, depthMm: 12 },
        filletRadiusMm: 3,
      },
      loadCases: [
        {
          id: 'lean',
          name: 'Carrier leans on it',
          forceN: 30,
          durationH: 1,
          temperatureC: 23,
          safetyFactor: 2,
          actsWhenHot: true,
          maxDeflectionMm: 4,
        },
      ],
      asks: { orientations: ['ZX'] },
    }),
    gradeIds: ['ol-pa6-cf', 'vp-pet-cf', 'tm-petg-cf', 'ol-pc-blend'],
    checkIds: ['strength-in-plane', 'strength-across-layers', 'deflection-at-load'],
    remarks: {
      'ol-pa6-cf':
        'Its fibres lie flat and hold nothing together upwards. With the water it has taken up, the weakest of the four this way.',
      'vp-pet-cf':
        'Lying on its edge it would be the strongest of the four. Standing, it is pulled across its layers and falls short.',
      'tm-petg-cf': 'Stiff enough, with much to spare. That was not the question.',
      'ol-pc-blend': 'No fibre at all: its layers weld, and that is what the root of the post needs.',
    },
    lesson:
      'Chopped fibre makes a part stiffer in the layers and usually weaker across them. Upright, look for what welds, or turn the part.',
  },
  {
    id: 'battery-lid',
    title: 'The hook of a battery lid',
    story: 'A hook of 14 mm is bent by 1.6 mm each time the lid is opened, a thousand times in its life, at 15 °C.',
    brief: practiceBrief({
      title: 'Battery lid hook',
      purpose: 'Keeps the lid shut. Opened by hand at each change of batteries.',
      part: {
        model: 'snap-hook',
        lengthMm: 14,
        thicknessMm: 2,
        widthMm: 8,
        taper: 'half',
        leadAngleDeg: 30,
        filletRadiusMm: 0.8,
      },
      loadCases: [
        {
          id: 'open',
          name: 'Opened and closed',
          kind: 'repeated',
          displacementMm: 1.6,
          cycles: 1000,
          durationH: 0.01,
          temperatureC: 15,
          safetyFactor: 1.2,
          actsWhenHot: false,
        },
      ],
    }),
    gradeIds: ['tm-pla', 'tm-petg-cf', 'ol-pc', 'ol-pa12'],
    checkIds: ['strain', 'fatigue-life', 'strength-in-plane'],
    remarks: {
      'tm-pla': 'Strong, and gives way at a small stretch. The hook does not carry anything, it is bent by a distance.',
      'tm-petg-cf': 'The fibre makes it stiffer. Bent by the same distance, that only raises the stress.',
      'ol-pc': 'Tough against one blow; a thousand bends of this size are too many.',
      'ol-pa12': 'The softest of the four, and the one that can be stretched that far again and again.',
    },
    lesson:
      'What is bent by a fixed distance is a matter of strain. Strength and stiffness do not help; a thinner or longer hook does.',
  },
  {
    id: 'tool-guard',
    title: 'A guard that things fall on',
    story:
      'A 60 mm guard catches a dropped spanner (0.7 J, at 5 °C) without breaking, and a hand rests on it at times. Deflection limit 6 mm under the hand.',
    brief: practiceBrief({
      title: 'Guard over the switch',
      purpose: 'Keeps falling tools off a switch. It must still be there afterwards; a mark on it does no harm.',
      part: {
        model: 'cantilever-arm',
        spanMm: 60,
        section: { kind: 'rectangle', widthMm: 30, depthMm: 8 },
        filletRadiusMm: 3,
      },
      loadCases: [
        {
          id: 'spanner',
          name: 'Dropped spanner',
          kind: 'knock',
          energyJ: 0.7,
          durationH: 0.001,
          temperatureC: 5,
          safetyFactor: 1.5,
          actsWhenHot: false,
          mustStayWhole: 'unbroken',
        },
        {
          id: 'hand',
          name: 'A hand rests on it',
          forceN: 20,
          durationH: 8,
          temperatureC: 25,
          safetyFactor: 2,
          actsWhenHot: true,
          maxSagMm: 6,
        },
      ],
    }),
    gradeIds: ['tm-pla', 'tm-tpu95', 'ol-pc', 'tm-abs'],
    checkIds: ['struck-fast', 'sag-after-duration', 'strength-in-plane'],
    remarks: {
      'tm-pla': 'The highest strength per dollar here, and it snaps when it is struck.',
      'tm-tpu95':
        'Cannot be broken by a spanner. It cannot hold up a hand either: indestructible is not the same as useful.',
      'ol-pc':
        'The famous choice against blows. It passes with the same reserve as the ABS, for an eighth more, and wants more care in printing.',
      'tm-abs': 'Old and ordinary, tough enough in the cold, and the lowest cost. Ventilate when it prints.',
    },
    lesson:
      'Enough is enough: once the blow is taken, toughness buys nothing more. And a part has more than one thing to do.',
  },
];
