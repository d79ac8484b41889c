import { tows } from '@anvilstone/core/materials/tables';
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { Layup, LayupPly } from '@anvilstone/schema';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { moved, shortTowName } from './stacks.ts';

/** The plies as a list to be dragged, with the pointer or with Space and the arrow keys; the lowest comes last, as they lie. */
export function PlyList({
  layup,
  gradeId,
  onChange,
}: {
  layup: Layup;
  gradeId: string;
  onChange: (layup: Layup) => void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const { plies } = layup;
  const setPly = (index: number, ply: LayupPly) =>
    onChange({ ...layup, plies: plies.map((one, i) => (i === index ? ply : one)) });
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onChange(moved(layup, Number(active.id) - 1, Number(over.id) - 1));
  };
  // As they lie: the first ply is the lowest.
  const shown = plies.map((ply, index) => ({ ply, index })).reverse();
  return (
    <>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
        <SortableContext items={shown.map(({ index }) => String(index + 1))} strategy={verticalListSortingStrategy}>
          <ol aria-label="Plies, the upper ones first" className="flex flex-col gap-1">
            {shown.map(({ ply, index }) => (
              <PlyRow
                key={index}
                index={index}
                ply={ply}
                gradeId={gradeId}
                onChange={(next) => setPly(index, next)}
                onRemove={
                  plies.length > 1
                    ? () => onChange({ ...layup, plies: plies.filter((_, i) => i !== index) })
                    : undefined
                }
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <Button className="mt-2" onClick={() => onChange({ ...layup, plies: [...plies, plies.at(-1)!] })}>
        + Another ply on top
      </Button>
    </>
  );
}

function PlyRow({
  index,
  ply,
  gradeId,
  onChange,
  onRemove,
}: {
  index: number;
  ply: LayupPly;
  gradeId: string;
  onChange: (ply: LayupPly) => void;
  onRemove: (() => void) | undefined;
}) {
  const { library } = usePartContext();
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: String(index + 1) });
  const { material } = ply;
  const printed = 'gradeId' in material ? material.gradeId : gradeId;
  const gradeName = library.grades.find(({ id }) => id === printed)?.name ?? printed;
  const value = 'towId' in material ? material.towId : 'gradeId' in material ? 'print' : 'own';
  const choose = (next: string) => {
    if (next === 'own') return;
    const { thicknessMm: _before, ...rest } = ply;
    onChange({ ...rest, material: next === 'print' ? { gradeId } : { towId: next } });
  };
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex flex-wrap items-end gap-2 rounded border border-line bg-surface px-2 py-1"
    >
      <button
        type="button"
        aria-label={`Move ply ${index + 1}`}
        className="mb-0.5 w-8 cursor-grab rounded border border-line-strong px-1 py-1 text-sm"
        {...attributes}
        {...listeners}
      >
        {index + 1}
      </button>
      <div className="min-w-0 grow basis-44">
        <Choice
          label="Material"
          value={value}
          options={[
            ...tows.map(({ id, name }) => ({ value: id, label: shortTowName(name) })),
            { value: 'print', label: `Print of ${gradeName}` },
            ...('lamina' in material ? [{ value: 'own', label: material.lamina.name }] : []),
          ]}
          onChange={choose}
        />
      </div>
      <div className="w-22">
        <QuantityField
          label="Angle"
          dimension="angle"
          value={ply.angleDeg}
          bounds={{ minimum: -180, maximum: 180 }}
          onChange={(angleDeg) => onChange({ ...ply, angleDeg })}
        />
      </div>
      <div className="w-26">
        <QuantityField
          label="Layer"
          dimension="length"
          value={ply.thicknessMm ?? thicknessOf(ply)}
          bounds={{ exclusiveMinimum: 0, maximum: 100 }}
          onChange={(thicknessMm) => onChange({ ...ply, thicknessMm })}
        />
      </div>
      <div className="w-18">
        <QuantityField
          label="Layers"
          dimension="ratio"
          value={ply.count ?? 1}
          bounds={{ minimum: 1, maximum: 500 }}
          onChange={(count) => onChange({ ...ply, count: Math.max(1, Math.round(count)) })}
        />
      </div>
      <Button look="quiet" disabled={!onRemove} aria-label={`Remove ply ${index + 1}`} onClick={onRemove}>
        ×
      </Button>
    </li>
  );
}

const thicknessOf = ({ material }: LayupPly): number =>
  'towId' in material ? (tows.find(({ id }) => id === material.towId)?.beadHeightMm ?? 0.2) : 0.2;
