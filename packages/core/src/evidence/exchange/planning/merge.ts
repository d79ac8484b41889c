import type { Claim, FieldDifference, Grade, GradeDifference, Observation } from '@anvilstone/schema';
import { setPath } from '../fields.ts';
import { fieldDifferences, observationName, observationReport } from '../gradeDifferences.ts';
import type { GradeDraft } from './draft.ts';

export interface Merged {
  grade: Grade;
  difference: GradeDifference;
}

/** Conditions that make two reports the same report: a changed value then is a correction and not a second opinion. */
const IDENTITY = [
  'property',
  'source',
  'method',
  'specimen',
  'crystallinity',
  'orientation',
  'conditioning',
  'temperatureC',
  'hdtStressMPa',
  'meltFlowTemperatureC',
  'meltFlowMassKg',
  'thicknessMm',
  'notchRadiusMm',
  'vicatLoadN',
  'resistivityVoltageV',
  'relativeHumidityPct',
  'durationH',
  'creepStressMPa',
  'cycles',
  'stressRatio',
  'agentId',
] as const;
const identityOf = (one: Partial<Observation>) => IDENTITY.map((key) => one[key] ?? '').join('|');
const CONTENT = [
  'value',
  'low',
  'high',
  'classValue',
  'bound',
  'unit',
  'standardDeviation',
  'count',
  'ligamentMm',
  'reference',
  'date',
  'note',
] as const;

/**
 * A draft laid over the grade that is there, or a new grade. What the file does not state stays as it is; nothing is taken
 * away. `id` is the one a new grade gets.
 */
export function mergeDraft(draft: GradeDraft, existing: Grade | undefined, id: string): Merged {
  const base: Grade = existing
    ? structuredClone(existing)
    : {
        id,
        name: '',
        maker: '',
        familyId: '',
        reinforcementId: null,
        colours: [],
        pricePerKgUsd: null,
        process: {},
        observations: [],
        sampleData: false,
      };
  const differences: FieldDifference[] = [];
  for (const [path, value] of draft.fields) {
    if (path === 'id' && existing) continue;
    setPath(base as unknown as Record<string, unknown>, path, value);
  }
  if (existing) differences.push(...fieldDifferences(existing, base));
  mergeObservations(base, draft, existing, differences);
  mergeClaims(base, draft, existing, differences);
  const kind = !existing ? 'new' : differences.length > 0 ? 'changed' : 'unchanged';
  return { grade: base, difference: { gradeId: base.id, name: base.name, kind, differences } };
}

function mergeObservations(
  base: Grade,
  draft: GradeDraft,
  existing: Grade | undefined,
  differences: FieldDifference[],
): void {
  const used = new Set(base.observations.map((one) => one.id));
  const open = new Set(existing ? base.observations : []);
  const byId = new Map(base.observations.map((one) => [one.id, one]));
  let next = base.observations.length;
  for (const { stated } of draft.observations) {
    const known = existing && find(stated, byId, open);
    if (known) {
      open.delete(known);
      const before = observationReport(known);
      const changed = CONTENT.some((key) => stated[key] !== undefined && stated[key] !== known[key]);
      if (!changed) continue;
      // A single value takes the place of a range, and the other way round.
      if (stated.value !== undefined) for (const key of ['low', 'high', 'classValue'] as const) delete known[key];
      if (stated.low !== undefined) for (const key of ['value', 'classValue'] as const) delete known[key];
      Object.assign(known, stated, { id: known.id });
      differences.push({ field: observationName(known), before, after: observationReport(known) });
    } else {
      let id = stated.id;
      while (id === undefined || used.has(id)) id = `${base.id.slice(0, 70)}-${(next += 1)}`;
      used.add(id);
      const added = { ...stated, id } as Observation;
      base.observations.push(added);
      if (existing) differences.push({ field: observationName(added), before: null, after: observationReport(added) });
    }
  }
}

function find(
  stated: Partial<Observation>,
  byId: ReadonlyMap<string, Observation>,
  open: ReadonlySet<Observation>,
): Observation | undefined {
  const named = stated.id === undefined ? undefined : byId.get(stated.id);
  if (named && open.has(named)) return named;
  const identity = identityOf(stated);
  const same = [...open].filter((one) => identityOf(one) === identity);
  // Several reports under the same conditions are told apart by their document.
  return same.find((one) => one.reference === stated.reference) ?? (same.length === 1 ? same[0] : undefined);
}

function mergeClaims(
  base: Grade,
  draft: GradeDraft,
  existing: Grade | undefined,
  differences: FieldDifference[],
): void {
  if (draft.claims.length === 0) return;
  const claims = [...(base.claims ?? [])];
  const key = (one: Partial<Claim>) => JSON.stringify([one.kind, one.standard, one.scope, one.thicknessMm, one.colour]);
  for (const { stated } of draft.claims) {
    const at = claims.findIndex((one) => key(one) === key(stated));
    const before = claims[at];
    if (before && JSON.stringify(sorted(before)) === JSON.stringify(sorted(stated))) continue;
    if (existing)
      differences.push({
        field: 'Certificate or statement',
        before: before?.statement ?? null,
        after: stated.statement ?? null,
      });
    if (at >= 0) claims[at] = { ...before!, ...stated } as Claim;
    else claims.push(stated as Claim);
  }
  base.claims = claims;
}
const sorted = (record: object) => Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1)));

/** A stable, readable id from maker and name that nobody has yet. */
export function newGradeId(maker: unknown, name: unknown, taken: (id: string) => boolean): string {
  const slug = (text: unknown) =>
    (typeof text === 'string' ? text : '')
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '');
  const stem = `${slug(maker).split('-')[0] ?? ''}-${slug(name)}`.replace(/^-/, '').slice(0, 60) || 'grade';
  let id = stem;
  for (let n = 2; taken(id); n++) id = `${stem}-${n}`;
  return id;
}
