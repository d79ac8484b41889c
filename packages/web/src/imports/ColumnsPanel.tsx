import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  CONDITION_TITLES,
  conditionText,
  DIMENSIONS,
  PROPERTY_DEFINITIONS,
  TEST_PARAMETERS,
  type Condition,
} from '@anvilstone/core';
import {
  CONDITIONINGS,
  ORIENTATIONS,
  SPECIMENS,
  type ColumnTarget,
  type ImportColumn,
  type ImportPlan,
  type ImportSettings,
  type Observation,
  type PropertyId,
} from '@anvilstone/schema';
import { useState } from 'react';
import { controlLook } from '../ui/fields.tsx';
import { Panel } from '../ui/Panel.tsx';
import { LateText } from './ReadingPanel.tsx';
import { IGNORE, targetsFor, type Target } from './targets.ts';

/** What each column is taken for: by choice in its row, or by dragging a meaning onto it. */
export function ColumnsPanel({
  plan,
  settings,
  onChange,
}: {
  plan: ImportPlan;
  settings: ImportSettings;
  onChange: (settings: Partial<ImportSettings>) => void;
}) {
  const targets = targetsFor(plan.layout);
  const set = (column: ImportColumn, target: string, extra: Partial<ColumnTarget> = {}) =>
    onChange({
      columns: [
        ...(settings.columns ?? []).filter((one) => one.column !== column.column),
        { column: column.column, target, ...extra },
      ],
    });
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const dropped = ({ active, over }: DragEndEvent) => {
    const column = over && plan.columns.find((one) => one.column === Number(over.id));
    if (column) set(column, String(active.id));
  };
  const mapped = plan.columns.filter(({ target }) => target !== IGNORE.id).length;
  return (
    <Panel title={`Columns (${mapped} of ${plan.columns.length} wanted)`}>
      <DndContext sensors={sensors} onDragEnd={dropped}>
        <div className="flex gap-4">
          <div className="min-w-0 grow overflow-x-auto">
            <table className="w-full text-sm">
              <thead>
                <tr className="text-left text-xs text-quiet">
                  {['Heading in the file', 'First cells', 'Taken for', 'Unit', 'Conditions'].map((title) => (
                    <th key={title} scope="col" className="pr-3 pb-1 font-normal">
                      {title}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {plan.columns.map((column) => (
                  <ColumnRow
                    key={column.column}
                    column={column}
                    targets={targets}
                    onTarget={(target) => set(column, target)}
                    onDetail={(extra) =>
                      set(column, column.target, {
                        ...(column.unit ? { unit: column.unit } : {}),
                        conditions: column.conditions,
                        ...extra,
                      })
                    }
                  />
                ))}
              </tbody>
            </table>
          </div>
          <Palette targets={targets} taken={new Set(plan.columns.map(({ target }) => target))} />
        </div>
      </DndContext>
    </Panel>
  );
}

function ColumnRow({
  column,
  targets,
  onTarget,
  onDetail,
}: {
  column: ImportColumn;
  targets: readonly Target[];
  onTarget: (target: string) => void;
  onDetail: (extra: Partial<ColumnTarget>) => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: column.column });
  const groups = [...new Set(targets.map(({ group }) => group))];
  const property = column.target.startsWith('property.')
    ? (column.target.slice('property.'.length) as PropertyId)
    : undefined;
  const name = column.header || `column ${column.column + 1}`;
  return (
    <tr ref={setNodeRef} className={`border-t border-line align-top ${isOver ? 'bg-ember-ground' : ''}`}>
      <th scope="row" className="max-w-60 py-1 pr-3 text-left font-semibold">
        {name}
      </th>
      <td className="max-w-44 truncate py-1 pr-3 text-quiet" title={column.samples.join(' · ')}>
        {column.samples.join(' · ') || 'empty'}
      </td>
      <td className="w-56 py-1 pr-3">
        <select
          aria-label={`${name} is taken for`}
          className={`${controlLook} text-sm ${column.target === IGNORE.id ? 'text-quiet' : ''}`}
          value={column.target}
          onChange={(event) => onTarget(event.target.value)}
        >
          <option value={IGNORE.id}>{IGNORE.label}</option>
          {groups.map((group) => (
            <optgroup key={group} label={group}>
              {targets
                .filter((target) => target.group === group)
                .map(({ id, label }) => (
                  <option key={id} value={id}>
                    {label}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
        {!column.guessed && <span className="text-xs text-quiet">chosen by you</span>}
      </td>
      <td className="w-28 py-1 pr-3">
        {property && !PROPERTY_DEFINITIONS[property].classes && (
          <UnitChoice name={name} property={property} unit={column.unit} onChange={(unit) => onDetail({ unit })} />
        )}
      </td>
      <td className="py-1">
        {property && (
          <Conditions
            name={name}
            property={property}
            column={column}
            onChange={(conditions) => onDetail({ conditions })}
          />
        )}
      </td>
    </tr>
  );
}

function UnitChoice({
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
  orientation: ORIENTATIONS,
  conditioning: CONDITIONINGS,
};

/** The conditions that hold for a whole column, as the heading states them; what the method needs and nobody states is marked. */
function Conditions({
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

/** Meanings to drag onto a column. The choice in each row does the same from the keyboard. */
function Palette({ targets, taken }: { targets: readonly Target[]; taken: ReadonlySet<string> }) {
  const [words, setWords] = useState('');
  const shown = targets.filter(({ id, label }) => !taken.has(id) && label.toLowerCase().includes(words.toLowerCase()));
  return (
    <div className="w-52 shrink-0" aria-hidden="true">
      <input
        tabIndex={-1}
        className={`${controlLook} text-sm`}
        placeholder="Find a meaning to drag"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <ul className="mt-1 max-h-96 overflow-y-auto">
        {shown.map((target) => (
          <Draggable key={target.id} target={target} />
        ))}
      </ul>
    </div>
  );
}

function Draggable({ target }: { target: Target }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: target.id });
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      data-target={target.id}
      className={`my-0.5 cursor-grab rounded border border-line bg-surface px-2 py-0.5 text-sm ${isDragging ? 'relative z-30 border-ember shadow-lg' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      {target.label}
    </li>
  );
}
