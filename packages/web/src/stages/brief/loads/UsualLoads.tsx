import { usualLoads } from '@anvilstone/core/materials';
import type { SizeKind } from '@anvilstone/core/shapes';
import type { LoadCase } from '@anvilstone/schema';
import { Popover } from 'radix-ui';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { useSay } from '../../../ui/useSay.ts';

/** Loads that are easily underrated, with the reasoning of each, to start from. */
export function UsualLoads({
  size,
  onChoose,
}: {
  size: SizeKind | undefined;
  onChoose: (change: Partial<LoadCase>) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const offered = usualLoads.filter((one) =>
    size === 'knock' ? one.energyJ !== undefined : size === 'forceN' && one.forceN !== undefined,
  );
  const say = useSay();
  if (offered.length === 0) return null;
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="quiet">Typical values …</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="z-30 w-96 rounded-md border border-line-strong bg-surface p-2 shadow-xl"
        >
          {offered.map((one) => (
            <Popover.Close asChild key={one.id}>
              <button
                type="button"
                className="block w-full rounded px-2 py-1.5 text-left hover:bg-sunken"
                onClick={() =>
                  onChoose(
                    size === 'knock'
                      ? { energyJ: one.energyJ, fallingMassG: undefined, dropHeightMm: undefined }
                      : { forceN: one.forceN },
                  )
                }
              >
                <span className="flex justify-between font-semibold">
                  {one.title}
                  <span>
                    {one.energyJ === undefined ? amount(one.forceN!, 'N', units) : amount(one.energyJ, 'J', units)}
                  </span>
                </span>
                <span className="block text-xs text-quiet">{say(one.reasoning)}</span>
              </button>
            </Popover.Close>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
