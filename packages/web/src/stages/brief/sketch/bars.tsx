import type { GeometryOf } from '@anvilstone/schema';
import { Dimension } from './Dimension.tsx';
import { fitted, Force, Ground, Place, Solid } from './pieces.tsx';
import { sectionSize } from './sectionOutline.ts';
import { SectionView } from './SectionView.tsx';
import { useSketch } from './SketchContext.ts';

const AXIS = 104;
const LEFT = 70;
const SECTION_AT = [628, AXIS] as const;

export function ArmSketch({ part }: { part: GeometryOf<'cantilever-arm'> }) {
  const { load } = useSketch();
  const { depthMm } = sectionSize(part.section);
  const { length, depth, perMm } = fitted(part.spanMm, depthMm);
  const r = Math.min(depth, part.filletRadiusMm * perMm, 30);
  const [top, bottom, end] = [AXIS - depth / 2, AXIS + depth / 2, LEFT + length];
  return (
    <>
      <Ground x={LEFT - 22} y={24} width={22} height={160} />
      <Solid
        d={`M${LEFT} ${top - r} Q${LEFT} ${top} ${LEFT + r} ${top} H${end} V${bottom} H${LEFT + r} Q${LEFT} ${bottom} ${LEFT} ${bottom + r} Z`}
      />
      <Force from={[end - 6, top - 52]} to={[end - 6, top - 1]} text={load} anchor="end" />
      <Place id="root-fibre" at={[LEFT + r * 0.3, top - r * 0.3 + 1]} />
      <Place id="neutral-axis" at={[LEFT + length * 0.35, AXIS]} />
      <Place id="movement" at={[end - 6, bottom]} />
      <Dimension
        pointer="/spanMm"
        name="From the root to the load"
        mm={part.spanMm}
        from={[LEFT, 214]}
        to={[end - 6, 214]}
        perMm={perMm}
      />
      <SectionView section={part.section} at={SECTION_AT} />
    </>
  );
}

export function BeamSketch({ part }: { part: GeometryOf<'beam'> }) {
  const { load } = useSketch();
  const { depthMm } = sectionSize(part.section);
  const { length, depth, perMm } = fitted(part.spanMm, depthMm, { longest: 420 });
  const [top, bottom, end] = [AXIS - depth / 2, AXIS + depth / 2, LEFT + length];
  const clamped = part.ends === 'clamped';
  const at =
    LEFT + length * ((part.loading === 'point' ? (part.positionMm ?? part.spanMm / 2) : part.spanMm / 2) / part.spanMm);
  const support = (x: number) => (
    <path key={x} d={`M${x} ${bottom} l-12 20 h24 Z`} className="fill-surface stroke-ink" />
  );
  return (
    <>
      {clamped ? (
        <>
          <Ground x={LEFT - 22} y={44} width={22} height={120} />
          <Ground x={end} y={44} width={22} height={120} />
        </>
      ) : (
        [support(LEFT), support(end)]
      )}
      <Solid
        d={`M${LEFT - (clamped ? 0 : 10)} ${top} H${end + (clamped ? 0 : 10)} V${bottom} H${LEFT - (clamped ? 0 : 10)} Z`}
      />
      {part.loading === 'point' ? (
        <Force from={[at, top - 52]} to={[at, top - 1]} text={load} />
      ) : (
        [0.08, 0.29, 0.5, 0.71, 0.92].map((share) => (
          <Force
            key={share}
            from={[LEFT + length * share, top - 36]}
            to={[LEFT + length * share, top - 1]}
            text={share === 0.5 ? load : undefined}
            anchor="middle"
          />
        ))
      )}
      <Place id="span-fibre" at={[at, bottom]} />
      <Place id="end-fibre" at={[LEFT, top]} />
      <Place id="neutral-axis" at={[LEFT + length * 0.1, AXIS]} />
      <Place id="movement" at={[at, AXIS]} />
      <Dimension
        pointer="/spanMm"
        name="Between the supports"
        mm={part.spanMm}
        from={[LEFT, 214]}
        to={[end, 214]}
        perMm={perMm}
      />
      <SectionView section={part.section} at={SECTION_AT} />
    </>
  );
}

export function TieSketch({ part }: { part: GeometryOf<'tie'> }) {
  const { load } = useSketch();
  const { depthMm } = sectionSize(part.section);
  const { length, depth, perMm } = fitted(part.lengthMm, depthMm, { longest: 300, deepest: 70 });
  const left = 120;
  const end = left + length;
  const r = Math.min(24, part.filletRadiusMm * perMm);
  const half = depth / 2;
  const head = half + 22;
  return (
    <>
      <Solid
        d={`M${left - 30} ${AXIS - head} H${left} V${AXIS - half - r} Q${left} ${AXIS - half} ${left + r} ${AXIS - half} H${end - r} Q${end} ${AXIS - half} ${end} ${AXIS - half - r} V${AXIS - head} h30 V${AXIS + head} h-30 V${AXIS + half + r} Q${end} ${AXIS + half} ${end - r} ${AXIS + half} H${left + r} Q${left} ${AXIS + half} ${left} ${AXIS + half + r} V${AXIS + head} h-30 Z`}
      />
      <Force from={[left - 34, AXIS]} to={[left - 88, AXIS]} />
      <Force from={[end + 34, AXIS]} to={[end + 88, AXIS]} text={load} anchor="middle" />
      <Place id="movement" at={[end + 15, AXIS]} />
      <Place id="shoulder" at={[left + r * 0.4, AXIS - half - r * 0.2]} />
      <Dimension
        pointer="/lengthMm"
        name="Length"
        mm={part.lengthMm}
        from={[left, 214]}
        to={[end, 214]}
        perMm={perMm}
      />
      <SectionView section={part.section} at={SECTION_AT} />
    </>
  );
}

export function StrutSketch({ part }: { part: GeometryOf<'strut'> }) {
  const { load } = useSketch();
  const { depthMm } = sectionSize(part.section);
  const { length, depth, perMm } = fitted(part.lengthMm, depthMm, { longest: 360, deepest: 70 });
  const left = 110;
  const end = left + length;
  const clampedLeft = part.ends !== 'pinned';
  const clampedRight = part.ends === 'clamped';
  const pin = (x: number) => <circle cx={x} cy={AXIS} r="7" className="fill-surface stroke-ink stroke-[1.5]" />;
  return (
    <>
      <path
        d={`M${left} ${AXIS} Q${(left + end) / 2} ${AXIS - 70} ${end} ${AXIS}`}
        className="fill-none stroke-quiet"
        strokeDasharray="6 4"
      />
      <Solid d={`M${left} ${AXIS - depth / 2} H${end} V${AXIS + depth / 2} H${left} Z`} />
      {clampedLeft ? <Ground x={left - 20} y={54} width={20} height={100} /> : pin(left)}
      {clampedRight ? (
        <Ground x={end} y={54} width={20} height={100} />
      ) : part.ends === 'clamped-free' ? null : (
        pin(end)
      )}
      <Force from={[end + 78, AXIS]} to={[end + (clampedRight ? 22 : 10), AXIS]} text={load} anchor="middle" />
      {!clampedLeft && <Force from={[left - 70, AXIS]} to={[left - 10, AXIS]} />}
      <Place id="bows" at={[(left + end) / 2, AXIS - depth / 2]} />
      <Place id="shaft" at={[(left + end) / 2, AXIS]} />
      <Place id="movement" at={[end - 4, AXIS]} />
      <Dimension
        pointer="/lengthMm"
        name="Free length"
        mm={part.lengthMm}
        from={[left, 214]}
        to={[end, 214]}
        perMm={perMm}
      />
      <SectionView section={part.section} at={[640, AXIS]} />
    </>
  );
}

export function ShaftSketch({ part }: { part: GeometryOf<'torsion-shaft'> }) {
  const { load, bare } = useSketch();
  const { depthMm } = sectionSize(part.section);
  const { length, depth, perMm } = fitted(part.lengthMm, depthMm, { longest: 340, deepest: 80 });
  const end = LEFT + length;
  const lever = Math.min(88, Math.max(30, part.leverMm * perMm));
  return (
    <>
      <Ground x={LEFT - 22} y={34} width={22} height={140} />
      <Solid d={`M${LEFT} ${AXIS - depth / 2} H${end} V${AXIS + depth / 2} H${LEFT} Z`} />
      <path
        d={`M${LEFT + 12} ${AXIS + depth / 2} L${end - 12} ${AXIS - depth / 2}`}
        className="stroke-quiet"
        strokeDasharray="5 4"
      />
      <g className="fill-none stroke-ember">
        <path d={`M${end + 16} ${AXIS - lever} a24 ${lever} 0 0 1 0 ${2 * lever}`} className="stroke-[2.5]" />
        <path d={`M${end + 14} ${AXIS + lever} l12 -8 l2 12 z`} className="fill-ember" />
        {!bare && (
          <text x={end + 46} y={AXIS - lever + 14} className="fill-ember stroke-none text-[13px] font-semibold">
            {load}
          </text>
        )}
      </g>
      <Place id="movement" at={[end + 8, AXIS - lever]} />
      <Place id="skin" at={[LEFT + 8, AXIS - depth / 2]} />
      <Place id="helix-depth" at={[LEFT + length / 2, AXIS]} />
      <Place id="helix-width" at={[LEFT + length / 2, AXIS - depth / 4]} />
      <Dimension
        pointer="/lengthMm"
        name="Length that is twisted"
        mm={part.lengthMm}
        from={[LEFT, 214]}
        to={[end, 214]}
        perMm={perMm}
      />
      <Dimension
        pointer="/leverMm"
        name="Radius at which movement is measured"
        mm={part.leverMm}
        from={[end + 8, AXIS]}
        to={[end + 8, AXIS - lever]}
        perMm={perMm}
        side={-1}
      />
      <SectionView section={part.section} at={SECTION_AT} />
    </>
  );
}

export function SectionAtPlaneSketch({ part }: { part: GeometryOf<'section-at-plane'> }) {
  const { load } = useSketch();
  const perMm = Math.min(240 / part.leverMm, 2);
  const cut = 170;
  const at = cut + Math.max(40, part.leverMm * perMm);
  return (
    <>
      <Solid
        d={`M60 70 Q60 50 90 52 L200 66 Q${at} 60 ${at + 30} 86 Q${at + 44} 128 ${at} 132 Q220 140 200 150 L90 166 Q60 168 60 148 Z`}
      />
      <path d={`M${cut} 40 V180`} className="stroke-ink stroke-[1.5]" strokeDasharray="8 4" />
      <Force from={[at, 24]} to={[at, 72]} text={load} />
      <Place id="cut-fibre" at={[cut, 63]} />
      <Place id="neutral-axis" at={[cut, 106]} />
      <Dimension
        pointer="/leverMm"
        name="From the section to the load"
        mm={part.leverMm}
        from={[cut, 214]}
        to={[at, 214]}
        perMm={perMm}
      />
      <SectionView section={part.section} at={SECTION_AT} />
    </>
  );
}
