import type { Tilt } from '@anvilstone/core/evaluation';
import { builtAs, findPartModel, LIES } from '@anvilstone/core/shapes';
import type { BuildOrientation, PartGeometry } from '@anvilstone/schema';
import { useId } from 'react';
import { Choice } from '../../ui/fields.tsx';

/** The part as a bar on the bed, tipped by hand; its layers stay level, and run through it as they will. */
export function TiltControl({
  part,
  tilt,
  onChange,
}: {
  part: PartGeometry;
  tilt: Tilt;
  onChange: (tilt: Tilt) => void;
}) {
  const id = useId();
  const { axes } = findPartModel(part.model);
  const lies = (orientation: BuildOrientation) => LIES[builtAs(part, orientation)];
  return (
    <div className="rounded-md border border-line bg-surface p-3 print:hidden">
      <div className="flex items-end gap-3">
        <div className="w-44">
          <Choice
            label={`Tilted from ${lies('XY')}`}
            value={tilt.towards}
            options={[
              { value: 'ZX', label: `to ${lies('ZX')}` },
              { value: 'XZ', label: `to ${lies('XZ')}` },
            ]}
            onChange={(towards) => onChange({ ...tilt, towards })}
          />
        </div>
        <label htmlFor={id} className="min-w-0 grow">
          <span className="block text-xs text-quiet">Tilt</span>
          <input
            id={id}
            type="range"
            min={0}
            max={90}
            step={1}
            value={tilt.degrees}
            aria-valuetext={`${tilt.degrees} degrees`}
            className="w-full accent-ember"
            onChange={(event) => onChange({ ...tilt, degrees: Number(event.target.value) })}
          />
        </label>
        <output htmlFor={id} className="w-10 pb-1 text-right text-base font-semibold">
          {tilt.degrees}°
        </output>
      </div>
      <TiltedBar tilt={tilt} long={tilt.towards === 'ZX' ? 'length' : 'width'} />
      <p className="text-xs text-quiet">
        Length direction {axes.length}; depth, {axes.depth}. Layers stay horizontal.
      </p>
    </div>
  );
}

const VIEW = { width: 360, height: 118, bed: 104 };
const BAR = { end: 120, edge: 46, thick: 20 };

function TiltedBar({ tilt, long }: { tilt: Tilt; long: 'length' | 'width' }) {
  const clip = useId();
  const length = long === 'length' ? BAR.end : BAR.edge;
  const angle = (tilt.degrees * Math.PI) / 180;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  // Its lowest corner stands on the bed, so that it grows up from there.
  const scale = Math.min(1, (VIEW.bed - 8) / (length * s + BAR.thick * c));
  const start = VIEW.width / 2 - (scale * (length * c - BAR.thick * s)) / 2;
  const at = (along: number, up: number) =>
    `${start + scale * (along * c - up * s)},${VIEW.bed - scale * (along * s + up * c)}`;
  const corners = [at(0, 0), at(length, 0), at(length, BAR.thick), at(0, BAR.thick)].join(' ');
  return (
    <svg viewBox={`0 0 ${VIEW.width} ${VIEW.height}`} className="mt-1 w-full" role="presentation">
      <clipPath id={clip}>
        <polygon points={corners} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect width={VIEW.width} height={VIEW.height} className="fill-sunken" />
        {Array.from({ length: 30 }, (_, i) => (
          <path key={i} d={`M0 ${VIEW.bed - 4 * i}H${VIEW.width}`} className="stroke-line-strong stroke-[0.8]" />
        ))}
      </g>
      <polygon points={corners} className="fill-none stroke-ink stroke-[1.5]" />
      <path d={`M20 ${VIEW.bed}H${VIEW.width - 20}`} className="stroke-ink stroke-2" />
      <text x={VIEW.width - 20} y={VIEW.bed + 12} textAnchor="end" className="fill-quiet text-[11px]">
        bed
      </text>
    </svg>
  );
}
