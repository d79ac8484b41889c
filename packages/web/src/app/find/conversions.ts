import { DIMENSIONS, formatNumber, fromCanonical, parseQuantity, type Dimension } from '@anvilstone/core/foundations';

/** What people convert at a desk, in the order in which a unit is looked for. */
const WANTED: readonly { dimension: Dimension; units: readonly string[] }[] = [
  { dimension: 'force', units: ['N', 'kgf', 'lbf'] },
  { dimension: 'stress', units: ['MPa', 'GPa', 'psi', 'ksi'] },
  { dimension: 'length', units: ['mm', 'in'] },
  { dimension: 'temperature', units: ['°C', '°F', 'K'] },
  { dimension: 'torque', units: ['N·mm', 'N·m', 'lbf·in'] },
  { dimension: 'energy', units: ['J', 'ft·lbf'] },
  { dimension: 'mass', units: ['g', 'kg', 'oz', 'lb'] },
  { dimension: 'time', units: ['h', 's', 'd', 'a'] },
];

/** A number with its unit in the other units of its kind: “12 lbf” → 53.4 N, 5.44 kgf. Empty: it is none, or has no unit. */
export function conversions(typed: string): string[] {
  if (!/^[\s−-]*[\d.,/\s]+[^\d\s]/.test(typed)) return [];
  for (const { dimension, units } of WANTED) {
    const parsed = parseQuantity(typed, dimension);
    if (!parsed.ok) continue;
    const own = typed.trim().replace(/^[\s\d.,/−-]+/, '');
    return units
      .filter((unit) => unit !== own && knows(dimension, unit))
      .map((unit) => `${formatNumber(fromCanonical(parsed.canonical, unit, dimension), 4)} ${unit}`);
  }
  return [];
}

const knows = (dimension: Dimension, name: string) =>
  (DIMENSIONS[dimension].units as readonly { names: readonly string[] }[]).some(({ names }) => names.includes(name));
