import { inWords } from '@anvilstone/core/foundations';
import { partBody } from '@anvilstone/core/shapes';
import type { LoadCase, LoadKind, PartGeometry } from '@anvilstone/schema';
import { Choice } from '../../../ui/fields.tsx';
import { LoadQuantity, type ChangeLoad } from '../loads/LoadQuantity.tsx';

/** What the load must not do, by its kind. Empty means not asked. */
/** What a load without a limit of its own is held to, by the company’s rules. */
const USUAL = 'both empty = default share of the span';

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
          label="Required after impact"
          value={loadCase.mustStayWhole ?? 'both'}
          options={[
            { value: 'both', label: 'Undamaged, with margin to fracture' },
            { value: 'undamaged', label: 'Undamaged' },
            { value: 'unbroken', label: 'Not fractured, marks allowed' },
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
        label="Required retained force"
        hint="empty = no requirement"
        optional
      />
    );
  }
  if (movement === undefined) return null;
  return (
    <>
      <LoadQuantity {...common} field="maxDeflectionMm" label={`${movement} limit, elastic`} hint={USUAL} optional />
      {kind === 'lasting' && (
        <>
          <LoadQuantity
            {...common}
            field="maxSagMm"
            label={`${movement} limit, long-term`}
            hint={`with creep; ${USUAL}`}
            optional
          />
          <LoadQuantity
            {...common}
            field="maxLeftMm"
            label={`${movement} limit, residual`}
            hint="after unloading; empty = no requirement"
            optional
          />
          {loadCase.maxLeftMm !== undefined && (
            <LoadQuantity {...common} field="recoveryH" label="Recovery time" hint="empty = 24 h" optional />
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
    const told = responses.depth.complianceTerms.length > 0 || responses.depth.shear !== undefined;
    if (!told || (part.model === 'ring' && part.loading === 'pushed-over')) return undefined;
    return inWords(movement.title).replace(/ at .*$/, '');
  } catch {
    return 'Movement';
  }
}
