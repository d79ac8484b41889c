import type { GeometryOf } from '@anvilstone/schema';
import { Dimension } from './Dimension.tsx';
import { fitted, Force, Ground, Note, Other, Place, Solid } from './pieces.tsx';
import { circle } from './sectionOutline.ts';
import { useSketch } from './SketchContext.ts';

export function RingSketch({ part }: { part: GeometryOf<'ring'> }) {
  const { load, bare } = useSketch();
  const [x, y, outer] = [220, 116, 84];
  const perMm = outer / (part.outerDiameterMm / 2);
  const wall = Math.min(outer - 4, Math.max(4, part.wallMm * perMm));
  const inner = outer - wall;
  const around = [0, 45, 90, 135, 180, 225, 270, 315].map((deg) => (deg * Math.PI) / 180);
  const axial = Math.min(120, Math.max(16, part.lengthMm * perMm));
  return (
    <>
      {part.loading === 'pushed-over' && <Other d={circle(x, y, inner + 3)} />}
      <Solid d={`${circle(x, y, outer)} ${circle(x, y, inner)}`} view={['width', 'depth']} />
      {part.loading === 'pinched' && (
        <>
          <ellipse
            cx={x}
            cy={y}
            rx={outer + 9}
            ry={outer - 11}
            className="fill-none stroke-quiet"
            strokeDasharray="5 4"
          />
          <Force from={[x, y - outer - 30]} to={[x, y - outer - 1]} text={load} />
          <Force from={[x, y + outer + 30]} to={[x, y + outer + 1]} />
        </>
      )}
      {part.loading !== 'pinched' &&
        around.map((angle) => {
          const inward = part.loading === 'pressed-from-outside';
          const [far, near] = inward ? [outer + 26, outer + 1] : [inner - 30, inner - 1];
          const at = (radius: number) => [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const;
          return <Force key={angle} from={at(far)} to={at(near)} />;
        })}
      {part.loading !== 'pinched' && !bare && (
        <text x={x + outer + 36} y={y - outer + 10} className="fill-ember text-[13px] font-semibold">
          {load}
        </text>
      )}
      <Place id="under-pinch" at={[x, y - inner]} />
      <Place id="movement" at={[x, y]} />
      <Place id="ring-side" at={[x + outer, y]} />
      <Place id="bore" at={[x, y - inner]} />
      <Place id="bore-side" at={[x + inner, y]} />
      <Place id="collapse" at={[x - outer, y]} />
      <Dimension
        pointer="/outerDiameterMm"
        name="Outer diameter"
        mm={part.outerDiameterMm}
        from={[x - outer - 40, y + outer]}
        to={[x - outer - 40, y - outer]}
        perMm={2 * perMm}
        side={-1}
      />
      <Dimension
        pointer="/wallMm"
        name="Wall"
        mm={part.wallMm}
        from={[x + inner, y + outer + 10]}
        to={[x + outer, y + outer + 10]}
        perMm={wall / part.wallMm}
      />
      {!bare && (
        <g>
          <Note at={[560, 24]}>from the side</Note>
          <Solid d={`M${560 - axial / 2} ${y - 60} h${axial} v120 h${-axial} Z`} />
          <Dimension
            pointer="/lengthMm"
            name="Along its axis"
            mm={part.lengthMm}
            from={[560 - axial / 2, y + 88]}
            to={[560 + axial / 2, y + 88]}
            perMm={axial / part.lengthMm}
          />
        </g>
      )}
    </>
  );
}

export function PlateSketch({ part }: { part: GeometryOf<'plate'> }) {
  const { load, bare } = useSketch();
  const widthMm = part.shape === 'round' ? part.lengthMm : part.widthMm;
  const { length, depth, perMm } = fitted(widthMm, part.thicknessMm, { longest: 330, deepest: 40, thinnest: 12 });
  const [left, y] = [80, 120];
  const end = left + length;
  const planPerMm = Math.min(150 / part.lengthMm, 110 / widthMm);
  const [w, h] = [part.lengthMm * planPerMm, widthMm * planPerMm];
  const rim = part.edges === 'clamped';
  return (
    <>
      {rim ? (
        <>
          <Ground x={left - 26} y={y - 34} width={26} height={68 + depth} />
          <Ground x={end} y={y - 34} width={26} height={68 + depth} />
        </>
      ) : (
        [left, end].map((x) => (
          <path key={x} d={`M${x} ${y + depth} l-11 18 h22 Z`} className="fill-surface stroke-ink" />
        ))
      )}
      <path
        d={`M${left} ${y + depth} Q${(left + end) / 2} ${y + depth + 44} ${end} ${y + depth}`}
        className="fill-none stroke-quiet"
        strokeDasharray="5 4"
      />
      <Solid d={`M${left} ${y} H${end} V${y + depth} H${left} Z`} view={['width', 'depth']} />
      {[0.1, 0.3, 0.5, 0.7, 0.9].map((share) => (
        <Force
          key={share}
          from={[left + length * share, y - 42]}
          to={[left + length * share, y - 1]}
          text={share === 0.5 ? load : undefined}
          anchor="middle"
        />
      ))}
      <Place id="movement" at={[(left + end) / 2, y + depth + 12]} />
      <Place id="plate-skin" at={[rim ? left : (left + end) / 2, rim ? y : y + depth]} />
      <Place id="plate-skin-long" at={[rim ? left : (left + end) / 2, rim ? y : y + depth]} />
      <Dimension
        pointer="/thicknessMm"
        name="Thickness"
        mm={part.thicknessMm}
        from={[left + 28, y]}
        to={[left + 28, y + depth]}
        perMm={depth / part.thicknessMm}
      />
      <Dimension
        pointer={part.shape === 'round' ? '/lengthMm' : '/widthMm'}
        name={part.shape === 'round' ? 'Diameter' : 'Shorter side'}
        mm={widthMm}
        from={[left, 218]}
        to={[end, 218]}
        perMm={perMm}
      />
      {!bare && (
        <g>
          <Note at={[590, 26]}>from above</Note>
          <Solid
            d={part.shape === 'round' ? circle(590, 106, h / 2) : `M${590 - w / 2} ${106 - h / 2} h${w} v${h} h${-w} Z`}
            view={['length', 'width']}
          />
          {part.shape === 'rectangular' && (
            <Dimension
              pointer="/lengthMm"
              name="Longer side"
              mm={part.lengthMm}
              from={[590 - w / 2, 106 + h / 2 + 22]}
              to={[590 + w / 2, 106 + h / 2 + 22]}
              perMm={planPerMm}
            />
          )}
        </g>
      )}
    </>
  );
}

export function GearSketch({ part }: { part: GeometryOf<'gear-tooth'> }) {
  const { load } = useSketch();
  const [x, y, outer] = [220, 122, 96];
  const perMm = outer / ((part.moduleMm * (part.teeth + 2)) / 2);
  const root = outer - Math.min(24, Math.max(8, 2.25 * part.moduleMm * perMm));
  const teeth = Math.min(part.teeth, 36);
  const points = Array.from({ length: teeth }, (_, i) => {
    const at = (share: number, r: number) => {
      const angle = ((i + share) / teeth) * 2 * Math.PI - Math.PI / 2;
      return `${(x + r * Math.cos(angle)).toFixed(1)} ${(y + r * Math.sin(angle)).toFixed(1)}`;
    };
    return `${at(-0.28, root)} L${at(-0.13, outer)} L${at(0.13, outer)} L${at(0.28, root)}`;
  });
  const face = Math.min(110, Math.max(14, part.faceWidthMm * perMm));
  return (
    <>
      <Solid d={`M${points.join(' L')} Z ${circle(x, y, 16)}`} view={['length', 'width']} />
      <Force from={[x + 78, y - outer - 6]} to={[x + 10, y - outer - 2]} text={load} />
      <Place id="root-length" at={[x - 6, y - root]} />
      <Place id="root-width" at={[x + root, y]} />
      <Note at={[x, 232]}>
        module {part.moduleMm}, {part.teeth} teeth
      </Note>
      <FaceWidth face={face} mm={part.faceWidthMm} outer={outer} />
    </>
  );
}

function FaceWidth({ face, mm, outer }: { face: number; mm: number; outer: number }) {
  const { bare } = useSketch();
  if (bare) return null;
  return (
    <g>
      <Note at={[560, 22]}>from the side</Note>
      <Solid d={`M${560 - face / 2} ${122 - outer} h${face} v${2 * outer} h${-face} Z`} view={['depth', 'width']} />
      <Dimension
        pointer="/faceWidthMm"
        name="Width of the tooth"
        mm={mm}
        from={[560 - face / 2, 232]}
        to={[560 + face / 2, 232]}
        perMm={face / mm}
      />
    </g>
  );
}
