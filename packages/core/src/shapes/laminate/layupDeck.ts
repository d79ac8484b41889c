import type { Lamina } from './lamina.ts';
import type { Laminate } from './laminate.ts';

/** Through the thickness across fibres, typical of laminates; the plies’ own constants do not say. */
const POISSON_23 = 0.4;
const STRIP = { lengthMm: 100, widthMm: 20, along: 10, across: 2 };

/**
 * A layup as an open keyword input deck: a material card for each lamina, an orientation for each angle, one composite shell
 * section, and a strip of 100 × 20 mm that is pulled with 1 N/mm, so that the deck runs as it is and can be held against the
 * laminate’s Ex. Units N, mm, MPa; plies from below upwards. Out of plane E3 = E2, G13 = G12, ν13 = ν12, ν23 = 0.4.
 * Linear: no failure and no creep in it.
 */
export function layupDeck(name: string, laminate: Laminate): string {
  const laminae = [...new Map(laminate.plies.map(({ lamina }) => [JSON.stringify(lamina), lamina])).values()];
  const numberOf = (lamina: Lamina) => laminae.findIndex((one) => JSON.stringify(one) === JSON.stringify(lamina));
  const angles = [...new Set(laminate.plies.map(({ angleDeg }) => angleDeg))];
  return [
    note(`${name}: ${laminate.plies.length} plies, ${number(laminate.thicknessMm)} mm`),
    note('Units: N, mm, MPa. Typical, indicative constants. A calculation aid: it approves nothing.'),
    ...laminae.flatMap((lamina, i) => materialCard(lamina, i)),
    ...angles.flatMap((angleDeg, i) => orientation(angleDeg, i)),
    ...strip(),
    '*SHELL SECTION, ELSET=STRIP, COMPOSITE',
    ...laminate.plies.map(
      ({ lamina, angleDeg, thicknessMm }) =>
        `${number(thicknessMm)}, , ${materialName(numberOf(lamina))}, O${angles.indexOf(angleDeg) + 1}`,
    ),
    ...pull(),
    '',
  ].join('\n');
}

const number = (value: number) => Number(value.toPrecision(9)).toString();
const note = (text: string) => `** ${text.normalize('NFKD').replace(/[^\x20-\x7e]/g, '')}`.slice(0, 120);
const materialName = (index: number) => `PLY_${index + 1}`;

function materialCard(lamina: Lamina, index: number): string[] {
  const { e1MPa: e1, e2MPa: e2, g12MPa: g12, nu12 } = lamina;
  const g23 = lamina.kind === 'matrix' ? g12 : e2 / (2 * (1 + POISSON_23));
  const nu23 = lamina.kind === 'matrix' ? nu12 : POISSON_23;
  return [
    note(lamina.name),
    `*MATERIAL, NAME=${materialName(index)}`,
    '*ELASTIC, TYPE=ENGINEERING CONSTANTS',
    [e1, e2, e2, nu12, nu12, nu23, g12, g12].map(number).join(', '),
    `${number(g23)}, 294.`,
  ];
}

function orientation(angleDeg: number, index: number): string[] {
  const angle = (angleDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)].map((value) => number(Math.abs(value) < 1e-12 ? 0 : value)) as [
    string,
    string,
  ];
  return [`*ORIENTATION, NAME=O${index + 1}`, `${c}, ${s}, 0., ${s === '0' ? '0' : number(-Number(s))}, ${c}, 0.`];
}

/** Nodes on a grid of half elements; the middles of the elements stay empty. */
function strip(): string[] {
  const { lengthMm, widthMm, along, across } = STRIP;
  const id = (i: number, j: number) => 1 + i + j * (2 * along + 1);
  const nodes: string[] = [];
  for (let j = 0; j <= 2 * across; j++)
    for (let i = 0; i <= 2 * along; i++)
      if (i % 2 === 0 || j % 2 === 0)
        nodes.push(`${id(i, j)}, ${number((lengthMm * i) / (2 * along))}, ${number((widthMm * j) / (2 * across))}, 0.`);
  const elements: string[] = [];
  for (let j = 0; j < across; j++)
    for (let i = 0; i < along; i++) {
      const at = (di: number, dj: number) => id(2 * i + di, 2 * j + dj);
      const corners = [at(0, 0), at(2, 0), at(2, 2), at(0, 2), at(1, 0), at(2, 1), at(1, 2), at(0, 1)];
      elements.push([elements.length + 1, ...corners].join(', '));
    }
  return ['*NODE, NSET=ALL', ...nodes, '*ELEMENT, TYPE=S8R, ELSET=STRIP', ...elements];
}

/** Held in x at one end, pulled evenly at the other: each quadratic edge takes a sixth, four sixths and a sixth. */
function pull(): string[] {
  const { widthMm, along, across } = STRIP;
  const id = (i: number, j: number) => 1 + i + j * (2 * along + 1);
  const edges = Array.from({ length: 2 * across + 1 }, (_, j) => j);
  const shares = edges.map((j) => (j % 2 === 1 ? 4 : j === 0 || j === 2 * across ? 1 : 2) / 6 / across);
  return [
    '*NSET, NSET=PULLED',
    edges.map((j) => id(2 * along, j)).join(', '),
    '*BOUNDARY',
    ...edges.map((j) => `${id(0, j)}, 1, 1`),
    ...edges.map((j) => `${id(0, j)}, 3, 3`),
    `${id(0, 0)}, 2, 2`,
    `${id(2 * along, 0)}, 3, 3`,
    '*STEP',
    '*STATIC',
    '*CLOAD',
    ...edges.map((j, k) => `${id(2 * along, j)}, 1, ${number(widthMm * shares[k]!)}`),
    '*NODE PRINT, NSET=PULLED',
    'U',
    '*END STEP',
  ];
}
