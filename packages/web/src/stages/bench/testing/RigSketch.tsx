import type { Rig } from '@anvilstone/core/evidence';
import type { ReactNode } from 'react';

const PART = 'fill-ember-ground stroke-ember';
const IRON = 'fill-sunken stroke-quiet';
const words = 'fill-quiet text-[10px] stroke-none';

/** How the specimen sits in the rig, where the load acts and where the shield goes. Not to scale. */
export function RigSketch({ rig }: { rig: Rig }) {
  const { title, drawing } = SKETCHES[rig];
  return (
    <svg viewBox="0 0 240 130" className="w-full max-w-80" role="img" aria-label={`Sketch of the rig: ${title}`}>
      <g strokeWidth={1.4} fill="none">
        {drawing}
      </g>
    </svg>
  );
}

/** A load or a movement: down, up or to the right, from its tail. */
function Arrow({ x, y, to, label }: { x: number; y: number; to: [number, number]; label?: string }) {
  const [tx, ty] = to;
  const length = Math.hypot(tx - x, ty - y);
  const [ux, uy] = [(tx - x) / length, (ty - y) / length];
  const at = (back: number, side: number) => `${tx - ux * back - uy * side} ${ty - uy * back + ux * side}`;
  return (
    <g className="stroke-ember" strokeWidth={2}>
      <path d={`M${x} ${y}L${tx} ${ty}M${at(6, 3.5)}L${tx} ${ty}L${at(6, -3.5)}`} />
      {label && (
        <text x={x + 5} y={y + 3} className={words}>
          {label}
        </text>
      )}
    </g>
  );
}

const shield = (x: number) => (
  <g className="stroke-focus" strokeDasharray="4 2">
    <path d={`M${x} 14V116`} />
    <text x={x + 4} y={22} className={words}>
      shield
    </text>
  </g>
);

const twoRods = (load: ReactNode) => (
  <>
    <path d="M20 104H190v8H20z" className={IRON} />
    <circle cx={50} cy={82} r={6} className={IRON} />
    <circle cx={160} cy={82} r={6} className={IRON} />
    <path d="M44 88v16M56 88v16M154 88v16M166 88v16" className="stroke-quiet" />
    <path d="M30 66H180v10H30z" className={PART} />
    {load}
  </>
);

const SKETCHES: Record<Rig, { title: string; drawing: ReactNode }> = {
  pull: {
    title: 'a bar between two grips is pulled by a screw through a gauge, behind a shield',
    drawing: (
      <>
        <path d="M12 50h26v30H12z" className={IRON} />
        <path d="M38 56h18l8 5h40l8-5h18v18h-18l-8-5H64l-8 5H38z" className={PART} />
        <path d="M130 50h22v30h-22z" className={IRON} />
        <path d="M152 65h14" className="stroke-quiet" />
        <circle cx={178} cy={65} r={12} className={IRON} />
        <path d="M178 65l5-7M178 53v2" className="stroke-quiet" />
        <text x={166} y={92} className={words}>
          gauge
        </text>
        <path d="M38 44q57 -22 114 0" className="stroke-focus" strokeDasharray="3 2" />
        <text x={78} y={28} className={words}>
          tether
        </text>
        <Arrow x={192} y={65} to={[218, 65]} />
        <path d="M22 104h196" className="stroke-focus" strokeDasharray="4 2" />
        <text x={86} y={118} className={words}>
          shield all along
        </text>
      </>
    ),
  },
  bend: {
    title: 'a bar lies on two rods and is pressed in the middle',
    drawing: (
      <>
        {twoRods(
          <>
            <circle cx={105} cy={58} r={6} className={IRON} />
            <Arrow x={105} y={18} to={[105, 48]} label="force" />
            <path d="M105 78v14M99 92h12v10h-12z" className="stroke-quiet" />
            <text x={116} y={100} className={words}>
              dial
            </text>
          </>,
        )}
        {shield(206)}
      </>
    ),
  },
  part: {
    title: 'the part is mounted as in use and loaded as in the brief',
    drawing: (
      <>
        <path d="M14 18h18v98H14z" className={IRON} />
        <path d="M32 46h96l20 8v14l-20-4H32z" className={PART} />
        <path d="M140 68v18" className="stroke-quiet" />
        <circle cx={140} cy={97} r={11} className={IRON} />
        <text x={156} y={100} className={words}>
          gauge
        </text>
        <Arrow x={140} y={108} to={[140, 126]} />
        {shield(200)}
      </>
    ),
  },
  weight: {
    title: 'a bar lies on two rods with a weight in the middle and a dial over it',
    drawing: twoRods(
      <>
        <path d="M105 66v-0M105 76v14" className="stroke-quiet" />
        <path d="M92 90h26v12H92z" className={IRON} />
        <circle cx={105} cy={30} r={14} className={IRON} />
        <path d="M105 30l6-8M105 44v22" className="stroke-quiet" />
        <text x={124} y={34} className={words}>
          dial
        </text>
        <text x={122} y={126} className={words}>
          something soft below
        </text>
      </>,
    ),
  },
  twist: {
    title: 'one end of a bar is clamped, a lever on the other is turned',
    drawing: (
      <>
        <path d="M14 44h34v46H14z" className={IRON} />
        <path d="M48 60h106v14H48z" className={PART} />
        <path d="M154 20h10v92h-10z" className={IRON} />
        <path d="M176 36a34 34 0 0 1 0 62" className="stroke-ember" strokeWidth={2} />
        <text x={196} y={70} className={words}>
          90°
        </text>
        <text x={20} y={106} className={words}>
          vice
        </text>
      </>
    ),
  },
  pendulum: {
    title: 'a pendulum swings through the middle of a bar that lies against two supports',
    drawing: (
      <>
        <circle cx={120} cy={16} r={4} className={IRON} />
        <path d="M120 16L62 84" className="stroke-quiet" />
        <circle cx={58} cy={88} r={12} className={IRON} />
        <path d="M118 74h8v38h-8z" className={PART} />
        <path d="M128 74h14v8h-14zM128 104h14v8h-14z" className={IRON} />
        <path d="M72 98q24 14 44 2" className="stroke-ember" strokeWidth={2} />
        <text x={152} y={94} className={words}>
          stand out of its plane
        </text>
      </>
    ),
  },
  drop: {
    title: 'a weight falls through a tube on the part',
    drawing: (
      <>
        <path d="M92 8v66M120 8v66" className="stroke-quiet" />
        <path d="M96 16h20v18l-10 8l-10-8z" className={IRON} />
        <Arrow x={106} y={46} to={[106, 78]} />
        <path d="M60 84h92v12H60z" className={PART} />
        <path d="M40 96h132v14H40z" className={IRON} />
        {shield(196)}
      </>
    ),
  },
  oven: {
    title: 'a loaded bar on two rods in an oven, with a thermocouple at the bar',
    drawing: (
      <>
        <path d="M8 6h212v118H8z" className="stroke-quiet" />
        {twoRods(<path d="M105 76v12M94 88h22v12H94z" className="stroke-quiet" />)}
        <path d="M210 30L150 66" className="stroke-focus" />
        <text x={120} y={26} className={words}>
          thermocouple at the bar
        </text>
        <text x={16} y={20} className={words}>
          oven
        </text>
      </>
    ),
  },
  bath: {
    title: 'plaques hang in a jar and touch nothing',
    drawing: (
      <>
        <path d="M62 22v88q0 8 8 8h88q8 0 8-8V22" className="stroke-quiet" />
        <path d="M62 44h104" className="stroke-focus" />
        <path d="M56 16h116v6H56z" className={IRON} />
        <path d="M92 22v34M136 22v34" className="stroke-quiet" />
        <path d="M80 56h24v44H80zM124 56h24v44h-24z" className={PART} />
      </>
    ),
  },
  rub: {
    title: 'a block is pressed on a turning disc',
    drawing: (
      <>
        <circle cx={96} cy={80} r={38} className={IRON} />
        <path d="M82 28h28v16H82z" className={PART} />
        <path d="M96 36H196M196 36v22M184 58h24v16h-24z" className="stroke-quiet" />
        <path d="M70 80a26 26 0 0 1 26-26" className="stroke-ember" strokeWidth={2} />
        <text x={150} y={30} className={words}>
          lever and weight
        </text>
      </>
    ),
  },
  meter: {
    title: 'two strips on a plaque, a meter between them',
    drawing: (
      <>
        <path d="M30 60h120v36H30z" className={PART} />
        <path d="M74 60h8v36h-8zM98 60h8v36h-8z" className={IRON} />
        <path d="M78 60V24h90M102 60V36h66" className="stroke-quiet" />
        <path d="M168 14h44v32h-44z" className={IRON} />
        <text x={180} y={34} className={words}>
          Ω
        </text>
      </>
    ),
  },
  outside: {
    title: 'bars of several grades hang mixed on a board in the open',
    drawing: (
      <>
        <circle cx={206} cy={24} r={11} className="stroke-ember" />
        <path d="M206 4v6M226 24h-6M220 10l-4 4M192 10l4 4M186 24h6" className="stroke-ember" />
        <path d="M20 36h160v8H20z" className={IRON} />
        {[36, 62, 88, 114, 140].map((x, i) => (
          <g key={x}>
            <path d={`M${x} 44h12v52h-12z`} className={i % 2 === 0 ? PART : IRON} />
            <path d={`M${x + 6} 96v8`} className="stroke-quiet" />
            <circle cx={x + 6} cy={109} r={4} className="stroke-quiet" />
          </g>
        ))}
      </>
    ),
  },
};
