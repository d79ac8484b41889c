import type { GeometryOf } from '@anvilstone/schema';
import { Dimension } from './Dimension.tsx';
import { Force, Ground, Note, Other, Place, Solid } from './pieces.tsx';
import { amount } from '../../../ui/amount.ts';
import { useAppSelector } from '../../../sync/store/store.ts';
import { useSketch } from './SketchContext.ts';

export function PadSketch({ part }: { part: GeometryOf<'elastomer-pad'> }) {
  const units = useAppSelector((state) => state.settings.units);
  const { load } = useSketch();
  const perMm = Math.min(260 / part.lengthMm, 96 / part.heightMm);
  const [w, h] = [part.lengthMm * perMm, Math.max(14, part.heightMm * perMm)];
  const [x, bottom] = [250, 184];
  const top = bottom - h;
  const bulge = part.faces === 'bonded' ? 12 : 4;
  return (
    <>
      <Ground x={x - w / 2 - 30} y={bottom} width={w + 60} height={18} />
      <Solid
        d={`M${x - w / 2} ${bottom} Q${x - w / 2 - bulge} ${(top + bottom) / 2} ${x - w / 2} ${top} H${x + w / 2} Q${x + w / 2 + bulge} ${(top + bottom) / 2} ${x + w / 2} ${bottom} Z`}
      />
      <Other d={`M${x - w / 2 - 20} ${top - 12} h${w + 40} v12 h${-w - 40} Z`} />
      <Force from={[x, top - 58]} to={[x, top - 13]} text={load} />
      <Place id="movement" at={[x, top]} />
      <Place id="pad" at={[x, (top + bottom) / 2]} />
      <Dimension
        pointer="/heightMm"
        name="Height that is squeezed"
        mm={part.heightMm}
        from={[x + w / 2 + 46, bottom]}
        to={[x + w / 2 + 46, top]}
        perMm={perMm}
      />
      <Dimension
        pointer="/lengthMm"
        name={part.shape === 'disc' ? 'Diameter' : 'Length'}
        mm={part.lengthMm}
        from={[x - w / 2, 222]}
        to={[x + w / 2, 222]}
        perMm={perMm}
      />
      {part.shape === 'block' && <Note at={[590, 120]}>{`${amount(part.widthMm, 'mm', units)} wide`}</Note>}
    </>
  );
}

export function FlangeSketch({ part }: { part: GeometryOf<'bolted-flange'> }) {
  const { load } = useSketch();
  const perMm = Math.min(150 / part.edgeDistanceMm, 70 / part.thicknessMm, 9);
  const [x, bottom] = [280, 168];
  const t = Math.max(16, part.thicknessMm * perMm);
  const top = bottom - t;
  const half = part.edgeDistanceMm * perMm;
  const head = (part.headDiameterMm * perMm) / 2;
  const bolt = (part.boltDiameterMm * perMm) / 2;
  const hole = (part.holeDiameterMm * perMm) / 2;
  return (
    <>
      <Ground x={x - half - 60} y={bottom} width={2 * half + 120} height={44} />
      <Solid
        d={`M${x - half - 50} ${top} H${x - hole} V${bottom} H${x - half - 50} Z M${x + hole} ${top} H${x + half} V${bottom} H${x + hole} Z`}
      />
      <path
        d={`M${x - head} ${top} L${x - head - t * 0.5} ${bottom} M${x + head} ${top} L${x + head + t * 0.5} ${bottom}`}
        className="stroke-quiet"
        strokeDasharray="4 4"
      />
      <Other
        d={`M${x - head} ${top - 16} h${2 * head} v16 H${x + bolt} V${bottom + 38} H${x - bolt} V${top} H${x - head} Z`}
      />
      <Force from={[x, top - 66]} to={[x, top - 18]} text={load} />
      <Place id="movement" at={[x, top]} />
      <Place id="under-head" at={[x + (head + hole) / 2, top]} />
      <Place id="insert" at={[x + bolt, bottom + 18]} />
      <Dimension
        pointer="/thicknessMm"
        name="Thickness under the head"
        mm={part.thicknessMm}
        from={[x - half - 70, bottom]}
        to={[x - half - 70, top]}
        perMm={perMm}
        side={-1}
      />
      <Dimension
        pointer="/edgeDistanceMm"
        name="From the bolt to the edge"
        mm={part.edgeDistanceMm}
        from={[x, top - 28]}
        to={[x + half, top - 28]}
        perMm={perMm}
      />
      <Dimension
        pointer="/headDiameterMm"
        name="Head or washer"
        mm={part.headDiameterMm}
        from={[x - head, 230]}
        to={[x + head, 230]}
        perMm={perMm}
      />
    </>
  );
}

export function HotContactSketch({ part }: { part: GeometryOf<'hot-contact'> }) {
  const units = useAppSelector((state) => state.settings.units);
  const { load, bare } = useSketch();
  const sideMm = Math.sqrt(part.areaMm2);
  const perMm = Math.min(260 / sideMm, 90 / part.thicknessMm);
  const [w, t] = [sideMm * perMm, Math.max(16, part.thicknessMm * perMm)];
  const [x, bottom] = [250, 196];
  const top = bottom - t;
  return (
    <>
      <Ground x={x - w / 2 - 24} y={bottom} width={w + 48} height={18} />
      <Solid d={`M${x - w / 2} ${bottom} V${top} h${w} V${bottom} Z`} />
      <path
        d={`M${x - w / 2 + 14} ${top - 56} h${w - 28} v56 h${28 - w} Z`}
        className="fill-ember-ground stroke-ember stroke-[1.5]"
      />
      <Force from={[x, 8]} to={[x, top - 58]} text={load} />
      {!bare && (
        <text x={x} y={top - 24} textAnchor="middle" className="fill-ink text-[13px]">
          {part.otherBody}, {amount(part.otherTemperatureC, '°C', units)}
        </text>
      )}
      <Place id="movement" at={[x, top]} />
      <Place id="face" at={[x + w / 4, top]} />
      <Dimension
        pointer="/thicknessMm"
        name="Thickness behind the contact"
        mm={part.thicknessMm}
        from={[x + w / 2 + 44, bottom]}
        to={[x + w / 2 + 44, top]}
        perMm={perMm}
      />
    </>
  );
}
