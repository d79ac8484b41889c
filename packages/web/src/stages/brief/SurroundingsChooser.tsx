import { askSentences } from '@anvilstone/core/decisions';
import { surroundings, type Surroundings } from '@anvilstone/core/materials';
import type { Brief } from '@anvilstone/schema';
import { Popover } from 'radix-ui';
import { useAppSelector } from '../../sync/store/store.ts';
import { Button } from '../../ui/Button.tsx';
import { useEdit } from './editBrief.ts';
import { useSay } from '../../ui/useSay.ts';

/** Service temperatures of usual places, each with its reasoning, to start from and correct. */
export function SurroundingsChooser({ brief }: { brief: Brief }) {
  const edit = useEdit();
  const say = useSay();
  const units = useAppSelector((state) => state.settings.units);
  const choose = ({ heat, moisture }: Surroundings) =>
    edit({ ...brief, moisture, asks: { ...brief.asks, heat } }, 'surroundings');
  const inWords = ({ heat, moisture }: Surroundings) =>
    askSentences({ ...brief, failureCouldHurt: 'unanswered', moisture, asks: { heat } }, units).join(' · ');
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button look="quiet">Typical surroundings …</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={12}
          className="z-30 max-h-[70vh] w-[30rem] overflow-y-auto rounded-md border border-line-strong bg-surface p-2 shadow-xl"
        >
          <p className="px-2 pb-1 text-xs text-quiet">
            Replaces the temperature and moisture entries. Correct them where you know better.
          </p>
          {surroundings.map((one) => (
            <Popover.Close asChild key={one.id}>
              <button
                type="button"
                className="block w-full rounded px-2 py-1.5 text-left hover:bg-sunken"
                onClick={() => choose(one)}
              >
                <span className="block font-semibold">{one.title}</span>
                <span className="block text-sm">{inWords(one)}</span>
                <span className="block text-xs text-quiet">{say(one.reasoning)}</span>
              </button>
            </Popover.Close>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
