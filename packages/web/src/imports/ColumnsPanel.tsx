import { DndContext, PointerSensor, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core';
import type { ColumnTarget, ImportColumn, ImportPlan, ImportSettings, PropertyId } from '@anvilstone/schema';
import { controlLook } from '../ui/fields.tsx';
import { Panel } from '../ui/Panel.tsx';
import { Conditions, UnitChoice } from './ColumnDetails.tsx';
import { MeaningPalette } from './MeaningPalette.tsx';
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
          <MeaningPalette targets={targets} taken={new Set(plan.columns.map(({ target }) => target))} />
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
