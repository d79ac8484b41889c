import type { Fleet } from '@anvilstone/core/evidence';
import type { FindingRecord } from '@anvilstone/schema';
import { scaleUtc } from 'd3';
import { day } from './words.ts';

const WIDTH = 900;
const LEFT = 110;
const RIGHT = 20;
const ROW = 30;
const TOP = 26;
const AHEAD_MS = 120 * 86_400_000;

/** Every sister of the part as long as it has served, with what was found of it and when the next look is due. */
export function FleetTimeline({
  fleet: { members },
  findings,
  nowMs,
  shownId,
  onShow,
}: {
  fleet: Fleet;
  findings: readonly FindingRecord[];
  nowMs: number;
  shownId: string | undefined;
  onShow: (id: string) => void;
}) {
  const starts = members.map(({ installation }) => Date.parse(installation.installedAt));
  const x = scaleUtc([Math.min(...starts), nowMs + AHEAD_MS], [LEFT, WIDTH - RIGHT]).nice();
  const height = TOP + members.length * ROW + 6;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full"
      role="group"
      aria-label="Time in service of each; the list below holds the same in words"
    >
      {x.ticks(7).map((tick) => (
        <g key={tick.getTime()}>
          <path d={`M${x(tick)},${TOP - 6}V${height}`} className="stroke-line" />
          <text x={x(tick)} y={TOP - 12} textAnchor="middle" className="fill-quiet text-[11px]">
            {x.tickFormat()(tick)}
          </text>
        </g>
      ))}
      <path d={`M${x(nowMs)},${TOP - 6}V${height}`} className="stroke-ember" strokeDasharray="3 3" />
      {members.map(({ installation, hours, failed }, row) => {
        const y = TOP + row * ROW + ROW / 2;
        const from = x(Date.parse(installation.installedAt));
        const to = x(Date.parse(installation.installedAt) + hours * 3.6e6);
        const own = findings.filter(({ finding }) => finding.installationId === installation.id);
        const looked = new Set(own.map(({ finding }) => finding.forDate));
        const open = failed || installation.removed ? [] : installation.inspections.filter(({ on }) => !looked.has(on));
        return (
          <g key={installation.id}>
            <text
              x={LEFT - 10}
              y={y + 4}
              textAnchor="end"
              className={`cursor-pointer text-[12px] ${installation.id === shownId ? 'fill-ink font-semibold' : 'fill-quiet'}`}
              onClick={() => onShow(installation.id)}
            >
              {installation.mark}
            </text>
            <path
              d={`M${from},${y}H${to}`}
              className={installation.id === shownId ? 'stroke-ink stroke-4' : 'stroke-line-strong stroke-4'}
            />
            {open
              .filter(({ on }) => x(Date.parse(on)) <= WIDTH - RIGHT)
              .map(({ on }) => (
                <path
                  key={on}
                  d={`M${x(Date.parse(on))},${y - 6}v12`}
                  className={Date.parse(on) < nowMs ? 'stroke-fail stroke-2' : 'stroke-quiet'}
                >
                  <title>{`Inspection due ${on}`}</title>
                </path>
              ))}
            {own.map(({ finding }) => (
              <FindingMark
                key={finding.id}
                state={finding.state}
                x={x(Date.parse(finding.at))}
                y={y}
                title={`${day(finding.at)}: ${finding.text}`}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}

function FindingMark({ state, x, y, title }: { state: string; x: number; y: number; title: string }) {
  const shape =
    state === 'failed'
      ? `M${x - 5},${y - 5}L${x + 5},${y + 5}M${x + 5},${y - 5}L${x - 5},${y + 5}`
      : state === 'changed'
        ? `M${x},${y - 6}L${x + 6},${y + 5}H${x - 6}Z`
        : `M${x - 5},${y}a5,5 0 1 0 10,0a5,5 0 1 0 -10,0`;
  const look =
    state === 'failed'
      ? 'fill-none stroke-fail stroke-2'
      : state === 'changed'
        ? 'fill-surface stroke-unknown stroke-2'
        : 'fill-surface stroke-pass stroke-2';
  return (
    <path d={shape} className={look}>
      <title>{title}</title>
    </path>
  );
}
