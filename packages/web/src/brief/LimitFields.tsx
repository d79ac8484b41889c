import { partBody } from '@anvilstone/core';
import type { LoadCase, LoadKind, PartGeometry } from '@anvilstone/schema';
import { Choice } from '../ui/fields.tsx';
import { LoadQuantity, type ChangeLoad } from './LoadQuantity.tsx';

/** What the load must not do, by its kind. Empty means not asked. */
/** What a load without a limit of its own is held to, by the company’s rules. */
const USUAL = 'both empty = the usual share of its span';

export function LimitFields({
  part,
  kind,
  ...common
}: {
  part: PartGeometry;
  kind: LoadKind;
  loadCase: LoadCase;
  index: number;
  onChange: ChangeLoad;
}) {
  const { loadCase, onChange } = common;
  const movement = movementTitle(part);
  if (kind === 'knock') {
    return (
      <div className="col-span-2">
        <Choice
          label="Afterwards it must be"
          value={loadCase.mustStayWhole ?? 'both'}
          options={[
            { value: 'both', label: 'Undamaged, and far from breaking' },
            { value: 'undamaged', label: 'Undamaged' },
            { value: 'unbroken', label: 'In one piece, marks allowed' },
          ]}
          onChange={(mustStayWhole) =>
            onChange({ mustStayWhole: mustStayWhole === 'both' ? undefined : mustStayWhole }, 'whole')
          }
        />
      </div>
    );
  }
  if (kind === 'held') {
    if (part.model === 'flexure' && part.motion === 'turns') return null;
    return (
      <LoadQuantity
        {...common}
        field="minHoldN"
        label="Force it must still hold at the end"
        hint="empty = not asked"
        optional
      />
    );
  }
  if (movement === undefined) return null;
  return (
    <>
      <LoadQuantity {...common} field="maxDeflectionMm" label={`${movement} allowed at once`} hint={USUAL} optional />
      {kind === 'lasting' && (
        <>
          <LoadQuantity
            {...common}
            field="maxSagMm"
            label={`${movement} allowed at the end`}
            hint={`with creep; ${USUAL}`}
            optional
          />
          <LoadQuantity
            {...common}
            field="maxLeftMm"
            label={`${movement} allowed to stay`}
            hint="after it has gone; empty = not asked"
            optional
          />
          {loadCase.maxLeftMm !== undefined && (
            <LoadQuantity {...common} field="recoveryH" label="After a recovery of" hint="empty = 24 h" optional />
          )}
        </>
      )}
    </>
  );
}

/** What the part's movement is called; undefined where nothing can be said of it, or it is forced. */
function movementTitle(part: PartGeometry): string | undefined {
  if (part.model === 'snap-hook' || part.model === 'flexure') return undefined;
  try {
    const { movement, responses } = partBody(part);
    const told = responses.depth.stretches.length > 0 || responses.depth.shear !== undefined;
    if (!told || (part.model === 'ring' && part.loading === 'pushed-over')) return undefined;
    return movement.title.replace(/ at .*$/, '');
  } catch {
    return 'Movement';
  }
}
