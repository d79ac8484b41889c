import type { PlaceRecord, Spool, SpoolEvent } from '@anvilstone/schema';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount, duration } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { moment } from '../../ui/when.ts';

/** Everything that happened to a spool, newest first. */
export function SpoolHistory({ spool, places }: { spool: Spool; places: readonly PlaceRecord[] }) {
  const units = useAppSelector((state) => state.settings.units);
  const words = (event: SpoolEvent): string => {
    switch (event.kind) {
      case 'weighed':
        return `weighed, ${amount(event.grossG, 'g', units, 4)} with its reel${event.from === 'scale' ? ', on the scale' : ', typed in'}${event.note ? `: ${event.note}` : ''}`;
      case 'moved':
        return `brought to ${places.find(({ place }) => place.id === event.placeId)?.place.name ?? event.placeId}`;
      case 'dried':
        return `dried ${duration(event.hours)} at ${amount(event.temperatureC, '°C', units)}`;
      case 'used':
        return `${amount(event.massG, 'g', units)} used: ${event.what}`;
    }
  };
  const rows = [
    ...spool.events.map((event) => ({ ms: Date.parse(event.at), text: words(event) })),
    ...(spool.openedAt ? [{ ms: Date.parse(spool.openedAt), text: 'opened' }] : []),
  ].sort((a, b) => b.ms - a.ms);
  return (
    <Panel title="History">
      {rows.length === 0 && <p className="text-quiet">No entries: sealed as delivered.</p>}
      <ol className="flex flex-col text-sm">
        {rows.map(({ ms, text }, i) => (
          <li key={`${ms} ${i}`} className="grid grid-cols-[8rem_1fr] gap-2 border-b border-line py-1 last:border-0">
            <time dateTime={new Date(ms).toISOString()} className="text-quiet">
              {moment(ms)}
            </time>
            {text}
          </li>
        ))}
      </ol>
    </Panel>
  );
}
