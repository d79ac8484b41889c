import type { FluidContact } from '@anvilstone/schema';

/** How a fluid meets the part, drawn: drops, a film left by a cloth, vapour, a bath. */
export function ContactPicture({ contact }: { contact: FluidContact['contact'] }) {
  return (
    <svg viewBox="0 0 64 36" aria-hidden="true" className="block h-9 w-full fill-none stroke-current stroke-[1.6]">
      <g strokeLinecap="round" strokeLinejoin="round">
        {contact === 'immersion' && <path className="fill-sunken stroke-none" d="M6 11h52v22H6z" />}
        <path className="fill-surface" d="M20 19h24v10H20z" />
        {PARTS[contact]}
      </g>
    </svg>
  );
}

const drop = (x: number, y: number) => <path key={`${x} ${y}`} d={`M${x} ${y}c-3 4-3 6 0 6s3-2 0-6z`} />;

const PARTS: Record<FluidContact['contact'], React.ReactNode> = {
  splash: <>{[drop(25, 4), drop(33, 8), drop(41, 3)]}</>,
  wipe: <path d="M17 16c5-6 10 3 15-3s8 2 14-3M20 16.5h18" />,
  vapour: <path d="M24 14c-3-4 3-5 0-10M32 14c-3-4 3-5 0-10M40 14c-3-4 3-5 0-10" />,
  immersion: (
    <>
      <path d="M6 6v27h52V6" />
      <path d="M6 12c4-2 7 2 11 0s7 2 11 0 7 2 11 0 7 2 11 0 6 1 8 0" />
    </>
  ),
};
