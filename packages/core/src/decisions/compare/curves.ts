import {
  reserveOf,
  bearingStrength,
  actingAt,
  strengthHours,
  weatheredShare,
  type LayerStress,
  deflectionAtLoad,
  sagAfterDuration,
  checksUnderLoad,
  type CheckContext,
  type PreparedLoad,
} from '@anvilstone/core/checks';
import { prepareWays } from '@anvilstone/core/evaluation';
import {
  inSentence,
  type ChartPoint,
  type LineChart,
  duration,
  type UnitSystem,
  formatNumber as f,
  formatQuantity,
} from '@anvilstone/core/foundations';
import { byDecades, evenly } from '@anvilstone/core/materials';
import { builtAs } from '@anvilstone/core/shapes';
import type { BuildOrientation } from '@anvilstone/schema';
import type { FinalistInPlace } from './finalist.ts';
import { warmestC } from './propertyRows.ts';

const STEPS = 90;

/** The diagrams that finalists are compared by; one whose grounds the brief lacks is left out. */
export function comparisonCharts(finalists: readonly FinalistInPlace[], units: UnitSystem): LineChart[] {
  const charts = [modulusOverTemperature, sagOverTime, strengthOverAngle];
  return charts.map((chart) => chart(finalists, units)).filter((chart) => chart !== undefined);
}

type Lines = LineChart['lines'];
const linesOf = (finalists: readonly FinalistInPlace[], points: (context: CheckContext) => ChartPoint[]): Lines =>
  finalists.map(({ finalist: { letter, name }, context }) => ({ letter, name, points: points(context) }));

/** Short-time modulus in plane, and at which temperature the part needs how much of it not to move too far. */
function modulusOverTemperature(finalists: readonly FinalistInPlace[], units: UnitSystem): LineChart | undefined {
  const first = finalists[0]!.context;
  const { brief } = first;
  const coldest = Math.min(23, brief.asks.heat?.coldestC ?? 23, ...brief.loadCases.map((load) => load.temperatureC));
  const warmest = Math.max(warmestC(brief), brief.asks.heat?.peak?.temperatureC ?? 23);
  const temperatures = evenly(Math.floor(coldest / 10) * 10, Math.ceil((warmest + 30) / 10) * 10, STEPS);
  const lines = linesOf(finalists, ({ material }) => {
    const { inPlane } = material.modulus;
    if (!material.behaviour || !inPlane.known) return [];
    return temperatures.map((t) => ({ x: t, y: inPlane.value * material.modulusRatio(t) }));
  });
  if (lines.every(({ points }) => points.length === 0)) return undefined;
  const needs = modulusNeeds(first, units);
  return {
    id: 'modulus-over-temperature',
    title: 'Modulus over temperature',
    notes: [
      'In plane, as the load comes on.',
      needs.length > 0
        ? 'A line that enters the warm field moves too far: it stands for the smallest modulus that keeps the movement allowed.'
        : 'The brief limits no movement under load, so no modulus is asked for.',
    ],
    x: { title: 'Temperature', dimension: 'temperature' },
    y: { title: 'Modulus', dimension: 'stress', logarithmic: true },
    lines,
    needs,
    limits: [],
    marks: [],
  };
}

/**
 * Movement goes with 1/E where nothing else gives, so the modulus that is just enough is the one that is there over the
 * reserve it leaves. Taken from the base; other grades differ from it only by how their layers shear.
 */
function modulusNeeds(context: CheckContext, units: UnitSystem): LineChart['needs'] {
  const { inPlane } = context.material.modulus;
  if (!context.material.behaviour || !inPlane.known) return [];
  const needAt = (load: PreparedLoad, temperatureC: number, durationH: number) => {
    const outcome = deflectionAtLoad.at(context, load, temperatureC, durationH);
    if (outcome.kind !== 'known' || outcome.demand <= 0) return [];
    const y = (inPlane.value * context.material.modulusRatio(temperatureC)) / reserveOf(outcome);
    return [
      {
        label: `${load.loadCase.name}: ${formatQuantity(y, 'stress', units)} to ${formatQuantity(temperatureC, 'temperature', units)}`,
        x: temperatureC,
        y,
      },
    ];
  };
  const asks = context.part.loads.filter((load) => deflectionAtLoad.appliesTo(load, context.body));
  const found = asks.flatMap((load) => needAt(load, load.loadCase.temperatureC, load.loadCase.durationH));
  const steadyC = context.brief.asks.heat?.steadyC;
  if (steadyC !== undefined)
    for (const { check, load, durationH } of checksUnderLoad(context.part, Infinity))
      if (check.id === deflectionAtLoad.id) found.push(...needAt(load, steadyC, durationH));
  // Only the corners that stick out: what lies below and cooler than another is asked for by that one already.
  return found.filter(
    (one, i) =>
      !found.some(
        (other, j) =>
          j !== i && other.x >= one.x && (other.y > one.y || (other.y === one.y && (other.x > one.x || j < i))),
      ),
  );
}

/** Movement while the load stays on, up to ten times as long as asked. */
function sagOverTime(finalists: readonly FinalistInPlace[], units: UnitSystem): LineChart | undefined {
  const first = finalists[0]!.context;
  const load = first.part.loads.find((one) => sagAfterDuration.appliesTo(one, first.body));
  if (!load) return undefined;
  const { temperatureC, durationH, maxSagMm, name } = load.loadCase;
  const hours = byDecades(1 / 60, durationH * 10, STEPS);
  const lines = linesOf(finalists, (context) => {
    const own = context.part.loads.find((one) => one.loadCase.id === load.loadCase.id)!;
    return hours.flatMap((h) => {
      const outcome = sagAfterDuration.at(context, own, temperatureC, h);
      return outcome.kind === 'known' ? [{ x: h, y: outcome.demand }] : [];
    });
  });
  if (lines.every(({ points }) => points.length === 0)) return undefined;
  return {
    id: 'sag-over-time',
    title: `Creep deflection:  ${name}`,
    notes: [`Under its full load at ${formatQuantity(temperatureC, 'temperature', units)}, elastic movement included.`],
    x: { title: 'Time under load', dimension: 'time', logarithmic: true },
    y: { title: 'Movement', dimension: 'length' },
    lines,
    needs: [],
    limits: [{ label: `allowed ${formatQuantity(maxSagMm!, 'length', units)}`, y: maxSagMm! }],
    marks: [{ label: `asked: ${duration(durationH)}`, x: durationH }],
  };
}

/** Tensile strength from within the layers to straight across them, at the load that comes closest to it. */
export function strengthOverAngle(finalists: readonly FinalistInPlace[], units: UnitSystem): LineChart | undefined {
  const first = finalists[0]!.context;
  const worst = hardestPull(first);
  if (!worst) return undefined;
  const { load, bearing, stressMPa } = worst;
  const { temperatureC, durationH, safetyFactor, name } = load.loadCase;
  const angles = evenly(0, 90, STEPS);
  const lines = linesOf(finalists, (context) => {
    const { material } = context;
    if (!material.behaviour) return [];
    const factor =
      (material.strengthFactor(temperatureC, strengthHours(load, durationH)) * weatheredShare(context)) / safetyFactor;
    return angles.flatMap((angleDeg) => {
      const strength = bearingStrength(material, {
        ...bearing,
        mode: angleDeg < 0.5 ? 'pull' : 'pull-apart',
        angleDeg,
      });
      return strength.known ? [{ x: angleDeg, y: strength.value * factor }] : [];
    });
  });
  if (lines.every(({ points }) => points.length === 0)) return undefined;
  return {
    id: 'strength-over-angle',
    title: 'Strength around the build angle',
    notes: [
      `Allowable at ${formatQuantity(temperatureC, 'temperature', units)} with safety factor ${f(safetyFactor)}, by the angle between the pull and the layers (Tsai–Hill).`,
      `The line to stay above is the stress of “${name}” at ${inSentence(bearing.place.title)}.`,
    ],
    x: { title: 'Angle to the layers', dimension: 'angle' },
    y: { title: 'Allowable stress', dimension: 'stress' },
    lines,
    needs: [{ label: `${name}: ${formatQuantity(stressMPa, 'stress', units)}`, x: 90, y: stressMPa }],
    limits: [],
    marks: anglesByOrientation(first, bearing, load),
  };
}

interface Pull {
  load: PreparedLoad;
  bearing: LayerStress;
  stressMPa: number;
}

/** Of all pulls at all places, the one with the minimum reserve in the build orientation of the base. */
function hardestPull(context: CheckContext): Pull | undefined {
  let worst: (Pull & { reserve: number }) | undefined;
  const { material } = context;
  if (!material.behaviour) return undefined;
  for (const load of context.part.loads) {
    if (load.kind === 'knock') continue;
    const { temperatureC, durationH, safetyFactor } = load.loadCase;
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) continue;
    const places = context.layerStresses[load.directionIndex]!;
    for (const bearing of [...places.inPlane, ...places.across]) {
      if (bearing.mode !== 'pull' && bearing.mode !== 'pull-apart') continue;
      const strength = bearingStrength(material, bearing);
      if (!strength.known) continue;
      const stressMPa = bearing.stressPerUnit * acting.action;
      const reserve =
        (strength.value * material.strengthFactor(temperatureC, strengthHours(load, durationH))) /
        safetyFactor /
        stressMPa;
      if (!worst || reserve < worst.reserve) worst = { load, bearing, stressMPa, reserve };
    }
  }
  return worst;
}

/** At which angle that place is pulled in each build orientation. */
function anglesByOrientation({ part }: CheckContext, { place }: LayerStress, load: PreparedLoad): LineChart['marks'] {
  const byAngle = new Map<number, string[]>();
  for (const [orientation, { layerStresses }] of Object.entries(prepareWays(part.brief))) {
    const { inPlane, across } = layerStresses[load.directionIndex]!;
    const pulls = [...across, ...inPlane].filter(({ mode }) => mode === 'pull' || mode === 'pull-apart');
    const found = pulls.find((one) => one.place.id === place.id) ?? pulls[0];
    if (!found) continue;
    const x = Math.round(found.angleDeg);
    byAngle.set(x, [...(byAngle.get(x) ?? []), builtAs(part.brief.part, orientation as BuildOrientation)].sort());
  }
  return [...byAngle].map(([x, ways]) => ({ label: ways.join(', '), x }));
}
