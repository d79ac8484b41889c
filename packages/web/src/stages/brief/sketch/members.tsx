import type { GeometryOf } from '@anvilstone/schema';
import { Dimension } from './Dimension.tsx';
import { fitted, Force, Ground, Note, Other, Place, Solid } from './pieces.tsx';
import { circle } from './sectionOutline.ts';
import { useSketch } from './SketchContext.ts';

export function BracketSketch({ part }: { part: GeometryOf<'wall-bracket'> }) {
  const { load } = useSketch();
  const perMm = Math.min(380 / part.reachMm, 128 / part.dropMm);
  const [x0, y0] = [80, 56];
  const [x1, y1] = [x0 + part.reachMm * perMm, y0 + part.dropMm * perMm];
  const beyond = Math.min(90, (part.beyondJointMm ?? part.tie.depthMm) * perMm);
  const tie = Math.max(7, part.tie.depthMm * perMm) / 2;
  const strut = Math.max(7, part.strut.depthMm * perMm) / 2;
  const angle = Math.atan2(y1 - y0, x1 - x0);
  const [nx, ny] = [strut * Math.sin(angle), strut * Math.cos(angle)];
  return (
    <>
      <Ground x={x0 - 24} y={24} width={24} height={190} />
      <Solid d={`M${x0} ${y1 - ny * 1.4} L${x1 - nx} ${y0 - ny} L${x1 + nx} ${y0 + ny} L${x0} ${y1 + ny * 1.4} Z`} />
      <Solid
        d={`M${x0} ${y0 - tie - 4} L${x0 + 6} ${y0 - tie} H${x1 + beyond + 8} V${y0 + tie} H${x0 + 6} L${x0} ${y0 + tie + 4} Z`}
      />
      <Force from={[x1 + beyond, 8]} to={[x1 + beyond, y0 - tie - 1]} text={load} />
      <Place id="tie-root" at={[x0 + 2, y0 - tie]} />
      <Place id="tie-joint" at={[x1, y0 - tie]} />
      <Place id="movement" at={[x1 + beyond, y0]} />
      <Place id="strut" at={[(x0 + x1) / 2, (y0 + y1) / 2]} />
      <Place id="strut-bows" at={[(x0 + x1) / 2, (y0 + y1) / 2]} />
      <Dimension
        pointer="/reachMm"
        name="From the wall to the joint"
        mm={part.reachMm}
        from={[x0, 226]}
        to={[x1, 226]}
        perMm={perMm}
      />
      <Dimension
        pointer="/dropMm"
        name="From the tie down to the foot of the strut"
        mm={part.dropMm}
        from={[x1 + 40 + beyond, y0]}
        to={[x1 + 40 + beyond, y1]}
        perMm={perMm}
      />
      <BarView x={600} y={72} name="tie" pointer="/tie" bar={part.tie} />
      <BarView x={600} y={168} name="strut" pointer="/strut" bar={part.strut} />
    </>
  );
}

function BarView({
  x,
  y,
  name,
  pointer,
  bar,
}: {
  x: number;
  y: number;
  name: string;
  pointer: string;
  bar: { depthMm: number; widthMm: number };
}) {
  const { bare } = useSketch();
  const perMm = 44 / Math.max(bar.depthMm, bar.widthMm);
  const [w, d] = [bar.widthMm * perMm, bar.depthMm * perMm];
  if (bare) return null;
  return (
    <g>
      <Note at={[x, y - 30]}>{name}</Note>
      <Solid d={`M${x - w / 2} ${y - d / 2} h${w} v${d} h${-w} Z`} view={['width', 'depth']} />
      <Dimension
        pointer={`${pointer}/depthMm`}
        name={`Depth of the ${name}`}
        mm={bar.depthMm}
        from={[x + w / 2 + 10, y - d / 2]}
        to={[x + w / 2 + 10, y + d / 2]}
        perMm={perMm}
      />
      <Dimension
        pointer={`${pointer}/widthMm`}
        name={`Width of the ${name}`}
        mm={bar.widthMm}
        from={[x - w / 2, y + d / 2 + 18]}
        to={[x + w / 2, y + d / 2 + 18]}
        perMm={perMm}
        side={-1}
      />
    </g>
  );
}

export function LugSketch({ part }: { part: GeometryOf<'pinned-lug'> }) {
  const { load, bare } = useSketch();
  const total = part.lengthMm + part.edgeDistanceMm;
  const perMm = Math.min(380 / total, 130 / part.widthMm);
  const [left, y] = [70, 106];
  const half = (part.widthMm * perMm) / 2;
  const end = left + total * perMm;
  const hole = end - part.edgeDistanceMm * perMm;
  const r = (part.holeDiameterMm * perMm) / 2;
  const nose = Math.min(half, part.edgeDistanceMm * perMm);
  return (
    <>
      <Ground x={left - 22} y={y - half - 16} width={22} height={2 * half + 32} />
      <Solid
        d={`M${left} ${y - half} H${end - nose} A${nose} ${half} 0 0 1 ${end - nose} ${y + half} H${left} Z ${circle(hole, y, r)}`}
        view={['length', 'width']}
      />
      <Other d={circle(hole + 1, y, r * 0.92)} />
      <Force from={[hole, y]} to={[end + 62, y]} text={undefined} />
      {!bare && (
        <text x={end + 34} y={y - 12} className="fill-ember text-[13px] font-semibold">
          {load}
        </text>
      )}
      <Place id="net-section" at={[hole, y - r]} />
      <Place id="movement" at={[end - 6, y]} />
      <Place id="bearing" at={[hole + r, y]} />
      <Place id="shear-out" at={[hole + r * 0.7 + 10, y - r * 0.7]} />
      <Dimension
        pointer="/lengthMm"
        name="From the pin to the far end"
        mm={part.lengthMm}
        from={[hole, 214]}
        to={[left, 214]}
        perMm={perMm}
      />
      <Dimension
        pointer="/edgeDistanceMm"
        name="From the hole to the end"
        mm={part.edgeDistanceMm}
        from={[hole, 214]}
        to={[end, 214]}
        perMm={perMm}
      />
      <Dimension
        pointer="/widthMm"
        name="Width"
        mm={part.widthMm}
        from={[left + 26, y - half]}
        to={[left + 26, y + half]}
        perMm={perMm}
      />
      <Dimension
        pointer="/holeDiameterMm"
        name="Hole"
        mm={part.holeDiameterMm}
        from={[hole - r, y - half - 14]}
        to={[hole + r, y - half - 14]}
        perMm={perMm}
      />
      <Side thicknessMm={part.thicknessMm} heightMm={part.widthMm} pointer="/thicknessMm" />
    </>
  );
}

/** The edge of a flat part, with its thickness to drag. */
function Side({ thicknessMm, heightMm, pointer }: { thicknessMm: number; heightMm: number; pointer: string }) {
  const { bare } = useSketch();
  const perMm = Math.min(96 / heightMm, 70 / thicknessMm);
  const [w, h] = [Math.max(6, thicknessMm * perMm), heightMm * perMm];
  if (bare) return null;
  return (
    <g>
      <Note at={[630, 40]}>edge</Note>
      <Solid d={`M${630 - w / 2} ${104 - h / 2} h${w} v${h} h${-w} Z`} view={['depth', 'width']} />
      <Dimension
        pointer={pointer}
        name="Thickness"
        mm={thicknessMm}
        from={[630 - w / 2, 104 + h / 2 + 22]}
        to={[630 + w / 2, 104 + h / 2 + 22]}
        perMm={perMm}
      />
    </g>
  );
}

export function SnapSketch({ part }: { part: GeometryOf<'snap-hook'> }) {
  const { load } = useSketch();
  const { length, depth, perMm } = fitted(part.lengthMm, part.thicknessMm, { longest: 330, deepest: 60, thinnest: 14 });
  const [left, y] = [90, 90];
  const end = left + length;
  const tip = part.taper === 'half' ? depth / 2 : depth;
  const r = Math.min(depth * 0.6, part.filletRadiusMm * perMm);
  const slope = Math.tan((part.leadAngleDeg * Math.PI) / 180);
  const nose = 44;
  return (
    <>
      <Ground x={left - 24} y={30} width={24} height={140} />
      <Solid
        d={`M${left} ${y - r} Q${left} ${y} ${left + r} ${y} H${end + nose} L${end + nose} ${y + tip} L${end + 4} ${y + tip + nose * slope} V${y + tip} L${left + r} ${y + depth} Q${left} ${y + depth} ${left} ${y + depth + r} Z`}
      />
      <Force from={[end + 4, y + tip + nose * slope + 50]} to={[end + 4, y + tip + nose * slope + 2]} text={load} />
      <Place id="root-fibre" at={[left + r * 0.4, y + depth + r * 0.2]} />
      <Place id="neutral-axis" at={[left + length * 0.3, y + depth / 2]} />
      <Dimension
        pointer="/lengthMm"
        name="From the root to the hook"
        mm={part.lengthMm}
        from={[left, 64]}
        to={[end, 64]}
        perMm={perMm}
      />
      <Dimension
        pointer="/thicknessMm"
        name="Thickness at the root"
        mm={part.thicknessMm}
        from={[left + 40, y]}
        to={[left + 40, y + depth]}
        perMm={depth / part.thicknessMm}
      />
    </>
  );
}

export function FlexureSketch({ part }: { part: GeometryOf<'flexure'> }) {
  const { load } = useSketch();
  const { length, depth } = fitted(part.lengthMm, part.thicknessMm, {
    longest: 200,
    deepest: 40,
    thinnest: 8,
    shortest: 70,
  });
  const [left, y] = [190, 112];
  const end = left + length;
  return (
    <>
      <Ground x={66} y={y - 46} width={20} height={92} />
      <Solid
        d={`M86 ${y - 40} H${left} V${y - depth / 2} H${end} V${y - 40} H${end + 104} V${y + 40} H${end} V${y + depth / 2} H${left} V${y + 40} H86 Z`}
      />
      {part.motion === 'turns' ? (
        <Force from={[end + 100, y + 76]} to={[end + 60, y + 44]} text={load} />
      ) : (
        <Force from={[end + 60, 18]} to={[end + 60, y - 42]} text={load} />
      )}
      <Place id="leaf-fibre" at={[left + length / 2, y - depth / 2]} />
      <Dimension
        pointer="/lengthMm"
        name="Thin length"
        mm={part.lengthMm}
        from={[left, y + 66]}
        to={[end, y + 66]}
        perMm={length / part.lengthMm}
      />
      <Dimension
        pointer="/thicknessMm"
        name="Thickness that bends"
        mm={part.thicknessMm}
        from={[left + 22, y - depth / 2]}
        to={[left + 22, y + depth / 2]}
        perMm={depth / part.thicknessMm}
      />
    </>
  );
}
