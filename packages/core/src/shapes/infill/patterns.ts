import { INFILL_PATTERNS, type InfillPattern } from '@anvilstone/schema';

/** A power law of the share of material: value of the core over that of the solid = factor · ρ^exponent. */
export interface PowerLaw {
  factor: number;
  exponent: number;
}

/** How a lattice bears, within the layers and along the way it is built up. */
export interface Pattern {
  id: InfillPattern;
  title: string;
  within: { stiffness: PowerLaw; strength: PowerLaw };
  upward: { stiffness: PowerLaw; strength: PowerLaw };
  source: string;
}

const law = (factor: number, exponent: number): PowerLaw => ({ factor, exponent });
/** Walls that stand on each other from layer to layer bear as columns do. */
const COLUMNS = { stiffness: law(1, 1), strength: law(1, 1) };

/**
 * Typical lattices by their textbook laws, evidence class D: printed infill is uneven, and nobody's own is exactly one of
 * these. Lattices of lines drawn one above the other stand as columns along the way they are built up.
 */
const PATTERNS: Record<InfillPattern, Omit<Pattern, 'id'>> = {
  triangles: {
    title: 'Triangles',
    within: { stiffness: law(1 / 3, 1), strength: law(1 / 3, 1) },
    upward: COLUMNS,
    source: 'Triangular lattice, stretched and not bent: Gibson & Ashby, Cellular Solids, 2nd ed., section 4.3',
  },
  squares: {
    title: 'Squares along the part',
    within: { stiffness: law(1 / 2, 1), strength: law(1 / 2, 1) },
    upward: COLUMNS,
    source:
      'Square lattice pulled along its walls: half of them bear; Wang & McDowell, J. Eng. Mater. Technol. 126 (2004)',
  },
  'squares-askew': {
    title: 'Squares at 45°',
    within: { stiffness: law(1 / 4, 3), strength: law(1 / 4, 2) },
    upward: COLUMNS,
    source: 'Square lattice pulled across its corners, walls bend; Wang & McDowell, J. Eng. Mater. Technol. 126 (2004)',
  },
  hexagons: {
    title: 'Hexagons',
    within: { stiffness: law(1.5, 3), strength: law(0.5, 2) },
    upward: COLUMNS,
    source: 'Regular honeycomb in its plane, walls bend: Gibson & Ashby, Cellular Solids, 2nd ed., eq. 4.12 and 4.27',
  },
  'curved-walls': {
    title: 'Curved walls',
    within: { stiffness: law(1, 2), strength: law(0.3, 1.5) },
    upward: { stiffness: law(1, 2), strength: law(0.3, 1.5) },
    source: 'Taken as an open foam, the safe side: Gibson & Ashby, Cellular Solids, 2nd ed., eq. 5.6 and 5.27',
  },
};

export const infillPatterns: readonly Pattern[] = INFILL_PATTERNS.map((id) => ({ id, ...PATTERNS[id] }));
export const findPattern = (id: InfillPattern): Pattern => ({ id, ...PATTERNS[id] });

/** Of a core with this share of material: the laws hold for open lattices, and none bears more than as much in columns (Voigt). */
export const lawAt = ({ factor, exponent }: PowerLaw, share: number): number =>
  Math.min(share, factor * share ** exponent);
