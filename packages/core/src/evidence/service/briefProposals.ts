import type { Brief } from '@anvilstone/schema';
import { formatNumber as f, HOURS_PER_YEAR, say, celsius, newtons } from '@anvilstone/core/foundations';
import { askedTemperatures, loadOf } from './comparison.ts';
import type { Proposer } from './proposal.ts';

const hotter: Proposer = ({ finding, grounds }) => {
  const seen = finding.measured.hottestC;
  const { hottestC } = askedTemperatures(grounds.brief);
  if (seen === undefined || seen <= hottestC) return [];
  return [
    {
      kind: 'brief',
      says: say`It saw ${celsius(seen)}; its brief ends at ${celsius(hottestC)}.`,
      change: (brief) => withHeat(brief, seen),
    },
  ];
};

/** The warmest that the brief speaks of is raised: the peak where it has one, else the steady temperature. */
function withHeat(brief: Brief, seenC: number): Brief {
  const { heat = {} } = brief.asks;
  const raised = heat.peak
    ? { ...heat, peak: { ...heat.peak, temperatureC: Math.max(seenC, heat.peak.temperatureC) } }
    : { ...heat, steadyC: Math.max(seenC, heat.steadyC ?? -Infinity) };
  return { ...brief, asks: { ...brief.asks, heat: raised } };
}

const colder: Proposer = ({ finding, grounds }) => {
  const seen = finding.measured.coldestC;
  const { coldestC } = askedTemperatures(grounds.brief);
  if (seen === undefined || seen >= coldestC) return [];
  return [
    {
      kind: 'brief',
      says: say`It saw ${celsius(seen)}; its brief ends at ${celsius(coldestC)}.`,
      change: (brief) => ({ ...brief, asks: { ...brief.asks, heat: { ...brief.asks.heat, coldestC: seen } } }),
    },
  ];
};

const oftener: Proposer = ({ comparison, finding, grounds }) => {
  const row = comparison.rows.find(({ id, beyond }) => id === 'cycles' && beyond);
  const load = grounds.brief.loadCases.find(
    ({ id, kind }) => id === finding.loadCaseId || (!finding.loadCaseId && kind === 'repeated'),
  );
  if (!row || !load) return [];
  return [
    {
      kind: 'brief',
      says: `${load.name} came ${f(row.found)} times; its brief asks for ${f(row.predicted!)}.`,
      change: (brief) => withLoad(brief, load.id, { cycles: row.found }),
    },
  ];
};

const harder: Proposer = ({ comparison, finding, grounds }) => {
  const row = comparison.rows.find(({ id, beyond }) => id === 'load' && beyond);
  const load = loadOf(finding, grounds.brief);
  if (!row || !load) return [];
  return [
    {
      kind: 'brief',
      says: say`${load.name} was ${newtons(row.found)}; its brief says ${newtons(row.predicted!)}.`,
      change: (brief) => withLoad(brief, load.id, { forceN: row.found }),
    },
  ];
};

const withLoad = (brief: Brief, id: string, change: Partial<Brief['loadCases'][number]>): Brief => ({
  ...brief,
  loadCases: brief.loadCases.map((load) => {
    if (load.id !== id) return load;
    const { cyclesPerH: _rate, ...others } = load;
    // A count that was found takes the place of a rate.
    return { ...(change.cycles === undefined ? load : others), ...change };
  }),
});

/** A failure mode that no check of the brief speaks of, where one ask would make it speak of it. */
const unasked: Proposer = ({ finding, comparison }) => {
  if (finding.modeId !== 'weathered' || comparison.checks.length > 0) return [];
  return [
    {
      kind: 'brief',
      says: 'It is outdoors, which its brief does not state.',
      change: (brief) => ({
        ...brief,
        asks: { ...brief.asks, outdoors: { hoursPerYear: HOURS_PER_YEAR, years: 3, keepPct: 70 } },
      }),
    },
  ];
};

/** What the brief asks too little of; the next one is one entry here. */
export const BRIEF_PROPOSERS: readonly Proposer[] = [hotter, colder, oftener, harder, unasked];
