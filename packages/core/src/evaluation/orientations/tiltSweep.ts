import { findCheck } from '@anvilstone/core/checks';
import { inSentence, type LineChart } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { builtAs, LIES } from '@anvilstone/core/shapes';
import type { Brief, BuildOrientation, CompanyRules, Library } from '@anvilstone/schema';
import { evaluateTilted, tiltOf, type Tilt } from './tilt.ts';
import { jobOf } from './waysUp.ts';

const STEP_DEG = 3;
/** The lines that come lowest somewhere; more would not be told apart. */
const MOST_LINES = 5;
/** A reserve this large decides nothing; cut so that the chart shows what does. */
const HIGHEST = 20;

/**
 * The reserves of one grade as the part is tipped from flat onto its end or its edge, a line each for the checks that come
 * lowest anywhere on the way and change with it. @throws InputError as compareWays does
 */
export function tiltSweep(
  brief: Brief,
  library: Library,
  gradeId: string,
  towards: Tilt['towards'],
  rules: CompanyRules = defaultCompanyRules,
): LineChart {
  const { job, grade } = jobOf(brief, library, gradeId, rules);
  const points = new Map<string, { x: number; y: number }[]>();
  for (let degrees = 0; degrees <= 90; degrees += STEP_DEG)
    for (const { checkId, reserve } of evaluateTilted(job, grade, tiltOf({ towards, degrees })).checks) {
      if (reserve === null) continue;
      const line = points.get(checkId) ?? [];
      points.set(checkId, [...line, { x: degrees, y: Math.min(HIGHEST, reserve) }]);
    }
  const lies = (orientation: BuildOrientation) => LIES[builtAs(brief.part, orientation)];
  const lowest = (line: readonly { y: number }[]) => Math.min(...line.map(({ y }) => y));
  const changing = [...points].filter(([, line]) => {
    const ys = line.map(({ y }) => y);
    return line.length > 1 && Math.max(...ys) > 1.01 * Math.min(...ys);
  });
  const shown = changing.sort(([, a], [, b]) => lowest(a) - lowest(b)).slice(0, MOST_LINES);
  const unchanged = [...points].filter(([id]) => !changing.some(([other]) => other === id));
  const limit = unchanged.sort(([, a], [, b]) => lowest(a) - lowest(b))[0];
  return {
    id: `tilt-towards-${towards}`,
    title: `Reserves from ${lies('XY')} to ${lies(towards)}`,
    notes: [
      ...(shown.length === 0
        ? [points.size === 0 ? 'No check is known at any tilt.' : 'No check changes with the tilt.']
        : []),
      ...(limit
        ? [
            `Whatever the tilt: ${inSentence(findCheck(limit[0])?.title)} ${Math.min(HIGHEST, limit[1][0]!.y).toPrecision(3)}.`,
          ]
        : []),
      ...(changing.length > shown.length ? ['Checks that stay higher all the way are left out.'] : []),
      ...(shown.length > 0 ? [`Cut at a reserve of ${HIGHEST}.`] : []),
    ],
    x: { title: `Tilted from ${lies('XY')} by`, dimension: 'angle' },
    y: { title: 'Reserve factor', dimension: 'ratio', logarithmic: true },
    lines: shown.map(([id, line], i) => ({
      letter: String.fromCharCode(97 + i),
      name: findCheck(id)?.title ?? id,
      points: line,
    })),
    needs: [{ label: 'fails below 1', x: 90, y: 1 }],
    limits: [],
    marks: [
      { label: builtAs(brief.part, 'XY'), x: 0 },
      { label: builtAs(brief.part, towards), x: 90 },
    ],
  };
}
