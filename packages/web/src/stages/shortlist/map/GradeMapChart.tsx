import type { GradeMap, MapPoint } from '@anvilstone/core/evaluation';
import { inSentence } from '@anvilstone/core/foundations';
import { quadtree } from 'd3';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { axisTick, axisTitle, axisValue, mapScale, mapTicks } from './mapScale.ts';
import { neighbourOf, type Placed } from './mapWalk.ts';

const SIZE = { width: 760, height: 400, left: 56, right: 16, top: 12, bottom: 42 };
const NEAR_PX = 18;
/** A drag shorter than this is a click. */
const BRUSH_PX = 5;

const SHAPE: Record<MapPoint['status'], (x: number, y: number) => string> = {
  pass: (x, y) => `M${x - 4.5} ${y}a4.5 4.5 0 1 0 9 0a4.5 4.5 0 1 0 -9 0`,
  unknown: (x, y) => `M${x} ${y - 5}l5 5l-5 5l-5 -5z`,
  fail: (x, y) => `M${x - 4} ${y - 4}l8 8m0 -8l-8 8`,
};
const LOOK: Record<MapPoint['status'], string> = {
  pass: 'fill-pass stroke-surface',
  unknown: 'fill-none stroke-unknown stroke-[1.5]',
  fail: 'fill-none stroke-fail stroke-[1.5]',
};

interface Rectangle {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** Thousands of grades between two axes: one path a status, so that the page stays quick. */
export function GradeMapChart({
  map,
  names,
  pinnedIds,
  brushed,
  at,
  onAt,
  onBrush,
  onOpen,
}: {
  map: GradeMap;
  names: ReadonlyMap<string, string>;
  pinnedIds: readonly string[];
  brushed: ReadonlySet<string> | null;
  at: string | null;
  onAt: (gradeId: string | null) => void;
  onBrush: (ids: ReadonlySet<string> | null) => void;
  onOpen: (gradeId: string) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<Rectangle | null>(null);
  const { x, y, placed, tree } = useMemo(() => {
    const right = SIZE.width - SIZE.right;
    const bottom = SIZE.height - SIZE.bottom;
    const toX = mapScale(
      map.x,
      map.points.map((point) => point.x),
      [SIZE.left, right],
    );
    const toY = mapScale(
      map.y,
      map.points.map((point) => point.y),
      [bottom, SIZE.top],
    );
    const all = map.points.map((point): Placed => ({ point, x: toX(point.x), y: toY(point.y) }));
    const found = quadtree<Placed>(
      all,
      (one) => one.x,
      (one) => one.y,
    );
    return { x: toX, y: toY, placed: all, tree: found };
  }, [map]);
  const current = placed.find(({ point }) => point.gradeId === at);
  const front = placed.filter(({ point }) => point.undominated).sort((a, b) => a.x - b.x);
  const where = (event: PointerEvent): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    const scale = SIZE.width / box.width;
    return [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
  };
  const finish = (rectangle: Rectangle) => {
    const [left, right] = [Math.min(rectangle.x0, rectangle.x1), Math.max(rectangle.x0, rectangle.x1)];
    const [top, bottom] = [Math.min(rectangle.y0, rectangle.y1), Math.max(rectangle.y0, rectangle.y1)];
    const inside = placed.filter((one) => one.x >= left && one.x <= right && one.y >= top && one.y <= bottom);
    onBrush(new Set(inside.map(({ point }) => point.gradeId)));
  };
  const press = (event: KeyboardEvent) => {
    if (event.key === 'Escape') {
      onBrush(null);
      onAt(null);
    } else if (event.key === 'Enter' && current) onOpen(current.point.gradeId);
    else if (event.key === ' ' && current) {
      const next = new Set(brushed ?? []);
      if (!next.delete(current.point.gradeId)) next.add(current.point.gradeId);
      onBrush(next.size > 0 ? next : null);
    } else {
      const next = neighbourOf(placed, current, event.key);
      if (!next) return;
      onAt(next.point.gradeId);
    }
    event.preventDefault();
  };
  const faint = (ids: readonly Placed[]) => (brushed ? ids.filter(({ point }) => brushed.has(point.gradeId)) : ids);
  return (
    <>
      <svg
        ref={svg}
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="mt-2 w-full touch-none select-none"
        role="application"
        tabIndex={0}
        aria-label={`${axisTitle(map.y, units)} over ${axisTitle(map.x, units)}, ${placed.length} grades; the table holds the numbers`}
        onKeyDown={press}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          const [px, py] = where(event);
          setDrag({ x0: px, y0: py, x1: px, y1: py });
        }}
        onPointerMove={(event) => {
          const [px, py] = where(event);
          if (drag) setDrag({ ...drag, x1: px, y1: py });
          else onAt(tree.find(px, py, NEAR_PX)?.point.gradeId ?? null);
        }}
        onPointerUp={(event) => {
          if (!drag) return;
          const [px, py] = where(event);
          setDrag(null);
          if (Math.hypot(px - drag.x0, py - drag.y0) >= BRUSH_PX) finish({ ...drag, x1: px, y1: py });
          else {
            const hit = tree.find(px, py, NEAR_PX);
            if (hit) onOpen(hit.point.gradeId);
            else onBrush(null);
          }
        }}
        onPointerLeave={() => !drag && onAt(null)}
      >
        <PassRegion map={map} x={x} y={y} />
        {mapTicks(map.y, y).map((tick) => (
          <g key={tick}>
            <line x1={SIZE.left} x2={SIZE.width - SIZE.right} y1={y(tick)} y2={y(tick)} className="stroke-line" />
            <text x={SIZE.left - 6} y={y(tick) + 4} textAnchor="end" className="fill-quiet text-[12px]">
              {axisTick(map.y, tick, units)}
            </text>
          </g>
        ))}
        {mapTicks(map.x, x).map((tick) => (
          <g key={tick}>
            <line y1={SIZE.top} y2={SIZE.height - SIZE.bottom} x1={x(tick)} x2={x(tick)} className="stroke-line" />
            <text x={x(tick)} y={SIZE.height - 24} textAnchor="middle" className="fill-quiet text-[12px]">
              {axisTick(map.x, tick, units)}
            </text>
          </g>
        ))}
        <text x={SIZE.width - SIZE.right} y={SIZE.height - 6} textAnchor="end" className="fill-quiet text-[12px]">
          {axisTitle(map.x, units)} {map.x.better === 'lower' ? '(better ←)' : '(better →)'}
        </text>
        <text x={4} y={SIZE.height - 6} className="fill-quiet text-[12px]">
          ↑ {axisTitle(map.y, units)} {map.y.better === 'lower' ? '(better ↓)' : '(better ↑)'}
        </text>
        <path
          d={front.map((one, i) => `${i === 0 ? 'M' : 'L'}${one.x} ${one.y}`).join('')}
          className="fill-none stroke-line-strong stroke-[1.5]"
          strokeDasharray="5 3"
        />
        {(['fail', 'unknown', 'pass'] as const).map((status) => {
          const of = placed.filter(({ point }) => point.status === status);
          return (
            <g key={status}>
              {brushed && (
                <path
                  d={of.map((one) => SHAPE[status](one.x, one.y)).join('')}
                  className={`${LOOK[status]} opacity-20`}
                />
              )}
              <path
                d={faint(of)
                  .map((one) => SHAPE[status](one.x, one.y))
                  .join('')}
                className={LOOK[status]}
              />
            </g>
          );
        })}
        {front.map((one) => (
          <circle key={one.point.gradeId} cx={one.x} cy={one.y} r={8} className="fill-none stroke-ink stroke-[1.3]" />
        ))}
        {placed
          .filter(({ point }) => pinnedIds.includes(point.gradeId))
          .map((one) => (
            <text key={one.point.gradeId} x={one.x + 11} y={one.y - 6} className="fill-ink text-[11px]">
              {names.get(one.point.gradeId)}
            </text>
          ))}
        {current && <Label one={current} name={names.get(current.point.gradeId) ?? ''} />}
        {drag && (
          <rect
            x={Math.min(drag.x0, drag.x1)}
            y={Math.min(drag.y0, drag.y1)}
            width={Math.abs(drag.x1 - drag.x0)}
            height={Math.abs(drag.y1 - drag.y0)}
            className="fill-ember opacity-15"
          />
        )}
      </svg>
      <p aria-live="polite" className="h-5 truncate text-sm">
        {current && (
          <>
            <strong>{names.get(current.point.gradeId)}</strong>: {inSentence(map.x.title)}{' '}
            {axisValue(map.x, current.point.x, units)}, {inSentence(map.y.title)}{' '}
            {axisValue(map.y, current.point.y, units)},{' '}
            {current.point.status === 'pass' ? 'passes' : current.point.status === 'fail' ? 'fails' : 'not known'}
            {current.point.undominated && ', not dominated'}
          </>
        )}
      </p>
    </>
  );
}

/** Where both axes are passed; an axis that asks for nothing is passed everywhere. */
function PassRegion({ map, x, y }: { map: GradeMap; x: (value: number) => number; y: (value: number) => number }) {
  if (map.x.passAt === undefined && map.y.passAt === undefined) return null;
  const [left, right] = [SIZE.left, SIZE.width - SIZE.right];
  const [top, bottom] = [SIZE.top, SIZE.height - SIZE.bottom];
  const atX = map.x.passAt === undefined ? null : x(map.x.passAt);
  const atY = map.y.passAt === undefined ? null : y(map.y.passAt);
  const [x0, x1] = atX === null ? [left, right] : map.x.better === 'higher' ? [atX, right] : [left, atX];
  const [y0, y1] = atY === null ? [top, bottom] : map.y.better === 'higher' ? [top, atY] : [atY, bottom];
  return (
    <>
      <rect x={x0} y={y0} width={Math.max(0, x1 - x0)} height={Math.max(0, y1 - y0)} className="fill-pass-ground" />
      {atX !== null && <line x1={atX} x2={atX} y1={top} y2={bottom} className="stroke-pass" strokeDasharray="2 3" />}
      {atY !== null && <line x1={left} x2={right} y1={atY} y2={atY} className="stroke-pass" strokeDasharray="2 3" />}
      <text x={x1 - 6} y={y0 + 15} textAnchor="end" className="fill-pass text-[12px]">
        pass region
      </text>
    </>
  );
}

function Label({ one, name }: { one: Placed; name: string }) {
  const onTheLeft = one.x > SIZE.width * 0.65;
  return (
    <g pointerEvents="none">
      <circle cx={one.x} cy={one.y} r={11} className="fill-none stroke-ember stroke-2" />
      <text
        x={one.x + (onTheLeft ? -15 : 15)}
        y={one.y + 4}
        textAnchor={onTheLeft ? 'end' : 'start'}
        className="fill-ink stroke-surface stroke-[4] text-[13px] font-semibold [paint-order:stroke]"
      >
        {name}
      </text>
    </g>
  );
}
