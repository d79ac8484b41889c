import { breakEvenUses, costPerUse, type Consumable } from '@anvilstone/core/making';
import type { Grade } from '@anvilstone/schema';
import { useState } from 'react';
import { useBuildGrade } from '../build/useBuildGrade.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Choice } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';

/** A consumable against another grade: what a use of each costs, and how long each must last to be worth it. */
export function ConsumablePanel({ grade, one }: { grade: Grade; one: Consumable }) {
  const { library } = usePartContext();
  const { offered } = useBuildGrade();
  const [otherId, setOther] = useState('');
  const [uses, setUses] = useState(one.uses);
  const others = offered.filter(({ gradeId }) => gradeId !== grade.id);
  const chosen = others.find(({ gradeId }) => gradeId === otherId) ?? others[0];
  const other = library.grades.find(({ id }) => id === chosen?.gradeId);
  const partUsd = chosen?.best.costUsd ?? undefined;
  const second: Consumable | undefined =
    partUsd === undefined ? undefined : { partUsd, changeOverUsd: one.changeOverUsd, uses };
  return (
    <Panel title="Cost per use against another grade">
      <div className="grid grid-cols-[minmax(0,1fr)_10rem] gap-3">
        <Choice
          label="The other"
          value={chosen?.gradeId ?? ''}
          options={others.map(({ gradeId }) => ({
            value: gradeId,
            label: library.grades.find(({ id }) => id === gradeId)?.name ?? gradeId,
          }))}
          onChange={setOther}
        />
        <QuantityField
          label="Uses of the other grade"
          dimension="ratio"
          value={uses}
          bounds={{ exclusiveMinimum: 0, maximum: 1e9 }}
          onChange={setUses}
        />
      </div>
      {second && other ? (
        <Verdict grade={grade} other={other} one={one} second={second} />
      ) : (
        <p className="mt-2 text-quiet">The cost of the other grade is unknown.</p>
      )}
    </Panel>
  );
}

function Verdict({ grade, other, one, second }: { grade: Grade; other: Grade; one: Consumable; second: Consumable }) {
  const [a, b] = [costPerUse(one), costPerUse(second)];
  const cheaper = a <= b ? grade : other;
  const rows = [
    { name: grade.name, own: one, perUse: a, needs: breakEvenUses(one, second) },
    { name: other.name, own: second, perUse: b, needs: breakEvenUses(second, one) },
  ];
  return (
    <div role="status" className="mt-3 text-sm">
      <p className="font-semibold">
        A use of {cheaper.name} costs less: {Math.min(a, b).toPrecision(3)} against {Math.max(a, b).toPrecision(3)} USD,
        replacement included.
      </p>
      <ul className="mt-1 list-disc pl-5">
        {rows.map(({ name, own, needs }) => (
          <li key={name}>
            {name}: {own.partUsd.toFixed(2)} USD a part, {own.uses} uses. It breaks even with the other at{' '}
            <strong>{Number.isFinite(needs) ? `${Math.ceil(needs - 1e-9)} uses` : 'zero life'}</strong>.
          </li>
        ))}
      </ul>
    </div>
  );
}
