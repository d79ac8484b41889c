import { DIMENSIONS } from '@anvilstone/core/foundations';
import {
  CONDITION_TITLES,
  conditionText,
  PROPERTY_DEFINITIONS,
  TEST_PARAMETERS,
  type Condition,
} from '@anvilstone/core/materials';
import {
  CONDITIONINGS,
  ORIENTATIONS,
  CRYSTALLINITIES,
  SPECIMENS,
  type ImportColumn,
  type Observation,
  type PropertyId,
} from '@anvilstone/schema';
import { useState } from 'react';
import { controlLook } from '../../ui/fields.tsx';
import { LateText } from './ReadingPanel.tsx';

/** The unit of a whole column; cells that state one of their own keep it. */
export function UnitChoice({
  name,
  property,
  unit,
  onChange,
}: {
  name: string;
  property: PropertyId;
  unit: string | null;
  onChange: (unit: string) => void;
}) {
  const { dimension } = PROPERTY_DEFINITIONS[property];
  const units = [
    ...DIMENSIONS[dimension].units,
    ...(property.startsWith('izod') ? DIMENSIONS.impactPerThickness.units : []),
  ].map(({ names: [first] }) => first as string);
  return (
    <select
      aria-label={`Unit of ${name}`}
      className={`${controlLook} text-sm`}
      value={unit ?? ''}
      onChange={(event) => event.target.value && onChange(event.target.value)}
    >
      <option value="">in the cells</option>
      {[...new Set([...units, ...(unit ? [unit] : [])])].map((one) => (
        <option key={one} value={one}>
          {one}
        </option>
      ))}
    </select>
  );
}

const VOCABULARY: Partial<Record<Condition, readonly string[]>> = {
  specimen: SPECIMENS,
  crystallinity: CRYSTALLINITIES,
  orientation: ORIENTATIONS,
  conditioning: CONDITIONINGS,
};

/** The conditions that hold for a whole column, as the heading states them; what the method needs and nobody states is marked. */
export function Conditions({
  name,
  property,
  column,
  onChange,
}: {
  name: string;
  property: PropertyId;
  column: ImportColumn;
  onChange: (conditions: ImportColumn['conditions']) => void;
}) {
  const [open, setOpen] = useState(false);
  const { conditions: needed } = PROPERTY_DEFINITIONS[property];
  const stated = column.conditions;
  const words = needed.map((condition) => conditionText({ ...stated, property } as unknown as Observation, condition));
  const missing = needed.filter((_, i) => words[i] === null);
  if (needed.length === 0) return <span className="text-xs text-quiet">none needed</span>;
  return (
    <>
      <button
        type="button"
        aria-expanded={open}
        aria-label={`Conditions of ${name}`}
        className="text-left text-xs hover:underline"
        onClick={() => setOpen(!open)}
      >
        {words.filter(Boolean).join(', ')}
        {missing.length > 0 && (
          <span className="text-unknown">
            {' '}
            {missing.map((one) => CONDITION_TITLES[one].toLowerCase()).join(', ')} not stated
          </span>
        )}
      </button>
      {open && (
        <div className="mt-1 grid w-80 grid-cols-2 gap-2 rounded border border-line bg-sunken p-2">
          {needed.map((condition) => {
            const vocabulary = VOCABULARY[condition];
            const value = stated[condition];
            const set = (text: string) =>
              onChange({
                ...stated,
                [condition]:
                  vocabulary || condition === 'agentId' ? text : text === '' ? '' : Number(text.replace(',', '.')),
              });
            const unit =
              condition in TEST_PARAMETERS
                ? TEST_PARAMETERS[condition as keyof typeof TEST_PARAMETERS].unit
                : condition === 'temperatureC'
                  ? '°C'
                  : '';
            const label = `${CONDITION_TITLES[condition]}${unit ? ` (${unit})` : ''}`;
            if (!vocabulary)
              return (
                <LateText
                  key={condition}
                  label={label}
                  value={value === undefined ? '' : String(value)}
                  onChange={set}
                />
              );
            return (
              <label key={condition} className="text-xs text-quiet">
                {label}
                <select
                  className={`${controlLook} text-sm`}
                  value={(value as string | undefined) ?? ''}
                  onChange={(event) => set(event.target.value)}
                >
                  <option value="">not stated</option>
                  {vocabulary.map((one) => (
                    <option key={one} value={one}>
                      {one}
                    </option>
                  ))}
                </select>
              </label>
            );
          })}
        </div>
      )}
    </>
  );
}
