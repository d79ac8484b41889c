import { Progress as Primitive } from 'radix-ui';

/** How far long work is, beside its name; or across the room there is, where the name stands elsewhere. */
export function Progress({ share, label, wide = false }: { share: number; label: string; wide?: boolean }) {
  const percent = Math.round(share * 100);
  return (
    <span className={wide ? 'flex items-center gap-3' : 'inline-flex items-center gap-2'}>
      {!wide && <span>{label}</span>}
      <Primitive.Root
        value={percent}
        aria-label={label}
        className={`h-2 overflow-hidden rounded bg-sunken outline outline-line ${wide ? 'block grow' : 'inline-block w-48'}`}
      >
        <Primitive.Indicator className="block h-full bg-ember" style={{ width: `${percent}%` }} />
      </Primitive.Root>
      <span className={wide ? 'w-10 text-right text-sm' : ''}>{percent} %</span>
    </span>
  );
}
