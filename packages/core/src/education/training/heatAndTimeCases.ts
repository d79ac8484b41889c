import { practiceBrief } from './brief.ts';
import type { PracticeCase } from './practiceCase.ts';

export const heatAndTimeCases: readonly PracticeCase[] = [
  {
    id: 'coat-hook',
    title: 'A hook in the drying room',
    story:
      'Wet jackets hang from a 90 mm hook in the drying room, two winters long, at 42 °C. It may droop by 2 mm, or they slide off.',
    brief: practiceBrief({
      title: 'Coat hook, drying room',
      purpose: 'Carries wet jackets. If it droops they slide off.',
      part: {
        model: 'cantilever-arm',
        spanMm: 90,
        section: { kind: 'rectangle', widthMm: 14, depthMm: 16 },
        filletRadiusMm: 4,
      },
      loadCases: [
        {
          id: 'jackets',
          name: 'Wet jackets',
          forceN: 30,
          durationH: 17532,
          temperatureC: 42,
          safetyFactor: 2,
          actsWhenHot: true,
          maxSagMm: 2,
        },
      ],
    }),
    gradeIds: ['qh-pla', 'vp-pp', 'ne-petg', 'ol-pc'],
    checkIds: ['strength-in-plane', 'sag-after-duration', 'strength-across-layers'],
    remarks: {
      'qh-pla':
        'The stiffest and strongest of the four on the data sheet, and the cheapest. At 42 °C, not far below where it lets go, it creeps: it does not break, it droops.',
      'vp-pp': 'Tough and pleasant to hang things on for a minute. A lasting load is what it stands least.',
      'ne-petg': 'Softer than PLA on the first day, and stiffer than it after two winters in the warmth.',
      'ol-pc': 'Does it easily, for about a fifth more. Nothing in the brief asks for what it would buy.',
    },
    lesson:
      'A lasting load is a question of time and warmth before it is one of strength. Strength passed in three of the four; the droop decided.',
  },
  {
    id: 'oven-rail',
    title: 'A rail beside the oven',
    story:
      'A 100 mm rail carries a dry 40 N load for six weeks at 80 °C; the air around it may reach 85 °C. Deflection limit 3 mm.',
    brief: practiceBrief({
      title: 'Rail beside the oven',
      purpose: 'Carries a tool beside the curing oven.',
      moisture: 'dry',
      part: {
        model: 'cantilever-arm',
        spanMm: 100,
        section: { kind: 'rectangle', widthMm: 16, depthMm: 20 },
        filletRadiusMm: 4,
      },
      loadCases: [
        {
          id: 'tool',
          name: 'Tool, curing',
          forceN: 40,
          durationH: 1000,
          temperatureC: 80,
          safetyFactor: 2,
          actsWhenHot: true,
          maxSagMm: 3,
        },
      ],
      asks: { heat: { steadyC: 85 } },
    }),
    gradeIds: ['tm-asa', 'vp-pp-gf', 'ol-pa6-gf', 'tm-pla-heat'],
    checkIds: ['heat-steady', 'strength-across-layers', 'printable'],
    remarks: {
      'tm-asa':
        'Its heat deflection temperature is above 85 °C. That is asked of a bar in a bath for minutes; this rail hangs for six weeks.',
      'vp-pp-gf':
        'The glass holds its stiffness well into the heat, but not its strength: what is allowed after a thousand hours at 80 °C is less than the load asks.',
      'ol-pa6-gf': 'Semi-crystalline, glass-filled, and dry in this heat: it goes on far above its glass transition.',
      'tm-pla-heat':
        'Good for much heat, says its name, once it is annealed and hardly loaded. Printed as it is, it lets go before 60 °C.',
    },
    lesson:
      'A heat deflection temperature is the answer to somebody else’s question. The part’s service temperature limit asks with its own load, its own time and its own limit of movement.',
  },
  {
    id: 'sluice-lever',
    title: 'A lever that stands in water',
    story:
      'A 120 mm lever opens a sluice: 45 N for two hours at a time, wet through all year at 15 °C. It may bend by 4.5 mm, and must warn before it breaks.',
    brief: practiceBrief({
      title: 'Sluice lever',
      purpose: 'Opens the wash-water sluice. Under water most of the year.',
      moisture: 'wet',
      part: {
        model: 'cantilever-arm',
        spanMm: 120,
        section: { kind: 'rectangle', widthMm: 16, depthMm: 20 },
        filletRadiusMm: 4,
      },
      loadCases: [
        {
          id: 'pull',
          name: 'Pull to open',
          forceN: 45,
          durationH: 2,
          temperatureC: 15,
          safetyFactor: 2,
          actsWhenHot: true,
          maxDeflectionMm: 4.5,
        },
      ],
      asks: { mustWarn: true },
    }),
    gradeIds: ['ol-pa6', 'vp-pa666', 'ol-pa6-gf', 'ol-pa12'],
    checkIds: ['deflection-at-load', 'strength-in-plane', 'failure-manner'],
    remarks: {
      'ol-pa6':
        'On the data sheet, dry, the strongest of the three plain ones. Wet through it has lost well over half of that.',
      'vp-pa666': 'The same story: a short chain between its amide groups, so it drinks.',
      'ol-pa6-gf': 'Glass does not drink, but what binds it does: close, and short all the same.',
      'ol-pa12': 'Weaker than PA6 when both are dry. It takes up a fraction of the water, and so wins where it is wet.',
    },
    lesson:
      'Ask in which state a polyamide’s numbers were measured. “Dry as moulded” is a state that the part leaves in the first weeks.',
  },
];
