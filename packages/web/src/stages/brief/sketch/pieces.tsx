import type { PartAxis } from '@anvilstone/core/shapes';
import type { ReactNode } from 'react';
import { layerLines, useSketch } from './SketchContext.ts';

/** Width and height of every sketch, in drawing units. */
export const VIEW = { width: 720, height: 240 };

/** Scale and drawn sizes of something long and thin: it is never drawn thinner than can be seen. */
export function fitted(
  lengthMm: number,
  depthMm: number,
  { longest = 400, deepest = 96, thinnest = 18, shortest = 60 } = {},
): { length: number; depth: number; perMm: number } {
  const perMm = Math.min(longest / lengthMm, deepest / depthMm);
  return {
    perMm,
    length: Math.max(shortest, lengthMm * perMm),
    depth: Math.max(thinnest, depthMm * perMm),
  };
}

/** The part itself: filled, with its layers as they show in this view. */
export function Solid({ d, view = ['length', 'depth'] }: { d: string; view?: readonly [PartAxis, PartAxis] }) {
  const { id, orientation } = useSketch();
  const lines = layerLines(orientation, view[0], view[1]);
  return (
    <>
      <path d={d} fillRule="evenodd" className="fill-sunken" />
      <path d={d} fillRule="evenodd" fill={`url(#${id}-${lines})`} className="stroke-ink stroke-[1.5]" />
    </>
  );
}

/** Something that does not move. */
export function Ground({ x, y, width, height }: { x: number; y: number; width: number; height: number }) {
  const { id } = useSketch();
  return <rect x={x} y={y} width={width} height={height} fill={`url(#${id}-ground)`} className="stroke-ink" />;
}

/** Another body that the part touches. */
export function Other({ d }: { d: string }) {
  return <path d={d} className="fill-surface stroke-quiet stroke-[1.2]" />;
}

/** An arrow of what acts, with its head at the second point. */
export function Force({
  from,
  to,
  text,
  anchor = 'start',
}: {
  from: readonly [number, number];
  to: readonly [number, number];
  text?: string | undefined;
  anchor?: 'start' | 'middle' | 'end';
}) {
  const { bare } = useSketch();
  const level = Math.abs(to[1] - from[1]) < 1;
  const angle = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  return (
    <g className="fill-ember stroke-ember">
      <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} className="stroke-[2.5]" />
      <path d="M0 0 L-11 -5.5 L-11 5.5 Z" transform={`translate(${to[0]} ${to[1]}) rotate(${angle})`} />
      {!bare && text && (
        <text
          x={anchor === 'middle' ? (level ? (from[0] + to[0]) / 2 : from[0]) : from[0] + (anchor === 'start' ? 8 : -8)}
          y={from[1] + (anchor === 'middle' ? (level ? -10 : -6) : 10)}
          textAnchor={anchor}
          className="stroke-none text-[13px] font-semibold"
        >
          {text}
        </text>
      )}
    </g>
  );
}

/** A place that may fail: ringed when it governs. */
export function Place({ id, at }: { id: string; at: readonly [number, number] }) {
  const { governs, bare } = useSketch();
  if (bare || governs !== id) return null;
  return (
    <g className="fill-none stroke-ember" data-governs={id}>
      <circle cx={at[0]} cy={at[1]} r="9" className="stroke-[2.5]" />
      <circle cx={at[0]} cy={at[1]} r="2.5" className="fill-ember stroke-none" />
    </g>
  );
}

/** Small words beside something. */
export function Note({ at, children }: { at: readonly [number, number]; children: ReactNode }) {
  const { bare } = useSketch();
  if (bare) return null;
  return (
    <text x={at[0]} y={at[1]} textAnchor="middle" className="fill-quiet text-[12px]">
      {children}
    </text>
  );
}
