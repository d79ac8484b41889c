import { formatNumber } from '@anvilstone/core/foundations';
import type { Grade, Observation, PropertyId } from '@anvilstone/schema';

const FACTS: readonly (readonly [PropertyId, string])[] = [
  ['tensileStrength', 'Tensile strength'],
  ['tensileModulus', 'Tensile modulus'],
  ['heatDeflectionTemperature', 'HDT'],
];

/** What the data sheet says first: what most choices are made on. */
export function GradeFacts({ grade }: { grade: Grade }) {
  return (
    <span className="mt-1 grid grid-cols-[auto_1fr] gap-x-3 text-xs text-quiet">
      {FACTS.map(([property, title]) => (
        <Fact key={property} title={title} {...stated(grade.observations.find((one) => one.property === property))} />
      ))}
      <Fact
        title="Price"
        text={grade.pricePerKgUsd === null ? 'not stated' : `${formatNumber(grade.pricePerKgUsd)} USD/kg`}
      />
    </span>
  );
}

const Fact = ({ title, text, conditions }: { title: string; text: string; conditions?: string }) => (
  <>
    <span>{title}</span>
    <span className="text-right text-ink">
      {text}
      {conditions && <span className="block text-quiet">{conditions}</span>}
    </span>
  </>
);

/** As stated, with whatever of its conditions is stated with it. */
function stated(observation: Observation | undefined): { text: string; conditions?: string } {
  if (!observation) return { text: 'not stated' };
  const { value, low, high, unit, hdtStressMPa, specimen, orientation, conditioning } = observation;
  const number =
    typeof value === 'number' ? formatNumber(value) : `${formatNumber(low ?? 0)} … ${formatNumber(high ?? 0)}`;
  const conditions = [hdtStressMPa === undefined ? null : `at ${hdtStressMPa} MPa`, specimen, orientation, conditioning]
    .filter(Boolean)
    .join(', ');
  return { text: `${number} ${unit}`, ...(conditions ? { conditions } : {}) };
}
