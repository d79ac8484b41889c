import { DndContext, PointerSensor, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { ColumnTarget, ImportColumn, ImportPlan, ImportSettings, PropertyId } from '@anvilstone/schema';
import { controlLook } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { Conditions, UnitChoice } from './ColumnDetails.tsx';
import { MeaningPalette } from './MeaningPalette.tsx';
import { IGNORE, targetsFor, type Target } from './targets.ts';
import type { ChangeImportSettings } from './useImportSettings.ts';

/** What each column is taken for: by choice in its row, or by dragging a meaning onto it. */
export function ColumnsPanel({
  plan,
  settings,
  onChange,
}: {
  plan: ImportPlan;
  settings: ImportSettings;
  onChange: ChangeImportSettings;
}) {
  const targets = targetsFor(plan.layout);
  const columns = plan.columns.map((column) => asChosen(column, settings));
  const set = (column: ImportColumn, choose: (newest: ImportColumn) => ColumnTarget) =>
    onChange((newest) => ({
      columns: [
        ...(newest.columns ?? []).filter((one) => one.column !== column.column),
        choose(asChosen(column, newest)),
      ],
    }));
  const setTarget = (column: ImportColumn, target: string) => set(column, () => ({ column: column.column, target }));
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const dropped = ({ active, over }: DragEndEvent) => {
    const column = over && columns.find((one) => one.column === Number(over.id));
    if (column) setTarget(column, String(active.id));
  };
  const mapped = columns.filter(({ target }) => target !== IGNORE.id).length;
  return (
    <Panel title={`Columns (${mapped} of ${plan.columns.length} wanted)`}>
      <DndContext sensors={sensors} onDragEnd={dropped}>
        <div className="flex gap-4">
          <div className="min-w-0 grow overflow-x-auto">
            <table className="w-full text-sm">
              <thead>
                <tr className="text-left text-xs text-quiet">
                  {['Column heading', 'Sample values', 'Meaning', 'Unit', 'Conditions'].map((title) => (
                    <th key={title} scope="col" className="pr-3 pb-1 font-normal">
                      {title}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {columns.map((column) => (
                  <ColumnRow
                    key={column.column}
                    column={column}
                    targets={targets}
                    onTarget={(target) => setTarget(column, target)}
                    onDetail={(extra) =>
                      set(column, ({ target, unit, conditions }) => ({
                        column: column.column,
                        target,
                        ...(unit ? { unit } : {}),
                        conditions,
                        ...extra,
                      }))
                    }
                  />
                ))}
              </tbody>
            </table>
          </div>
          <MeaningPalette targets={targets} taken={new Set(columns.map(({ target }) => target))} />
        </div>
      </DndContext>
    </Panel>
  );
}

/** A column as it was chosen to be taken; the plan still tells of the choice before while the file is read anew. */
function asChosen(column: ImportColumn, { columns }: ImportSettings): ImportColumn {
  const chosen = columns?.find((one) => one.column === column.column);
  if (!chosen) return column;
  // Of another meaning neither unit nor conditions are known before it is read so.
  const before = chosen.target === column.target ? column : { unit: null, conditions: {} };
  return {
    ...column,
    target: chosen.target,
    unit: chosen.unit ?? before.unit,
    conditions: chosen.conditions ?? before.conditions,
    guessed: false,
  };
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
          aria-label={`${name}: meaning`}
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
