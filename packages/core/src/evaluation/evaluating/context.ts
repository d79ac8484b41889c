import {
  ORIENTATIONS,
  type Agent,
  type Brief,
  type BuildOrientation,
  type Grade,
  type CompanyRules,
  type Library,
  type Machine,
} from '@anvilstone/schema';
import {
  type CheckContext,
  type PreparedPart,
  compliancesOf,
  relievedLayerStresses,
  weatheringOf,
  type Weathering,
} from '@anvilstone/core/checks';
import {
  partCost,
  type Cost,
  type CostInput,
  costLines,
  type PriceSource,
  fibreFindings,
  materialFindings,
  processNeeds,
  sizeFindings,
  verdictOf,
  type FitFinding,
  type MachineFit,
  type ProcessNeeds,
  warpFindings,
  warpRisk,
  boxOf,
  longestOf,
  filamentCost,
} from '@anvilstone/core/machines';
import { type Material, findAgent, completeRules, type CompleteRules } from '@anvilstone/core/materials';
import { type LaidFibre, type Fill, BUILT_UP, dot, type Direction } from '@anvilstone/core/shapes';
import { cachedMaterial } from './materialCache.ts';
import { printStateOf } from './printState.ts';
import { preparePart, prepareWays } from './preparePart.ts';

/** A brief made ready, with the machines that may print it; what holds whatever the build orientation is read from the flat one. */
export interface PreparedBrief extends PreparedPart {
  ways: Record<BuildOrientation, PreparedPart>;
  machines: readonly Machine[];
  rules: CompleteRules;
  /** An agent of the workshop's own or of the reference table; undefined: neither knows it. */
  agent(id: string): Agent | undefined;
  /** Issues of the part’s size on each machine. */
  sizes: Record<BuildOrientation, SizesOn>;
  /** Its size has no issue on any machine. */
  fitsEverywhere: Record<BuildOrientation, boolean>;
}

/** @throws InputError when a dimension of the part cannot be used, or a load does not say how large it is */
export function prepareBrief(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  companyRules: CompanyRules,
  fill?: Fill,
): PreparedBrief {
  const { machines, agents = [] } = library;
  const rules = completeRules(companyRules);
  const ways = prepareWays(brief, fill);
  const allowed = brief.asks.machineIds;
  const usable = allowed ? machines.filter((machine) => allowed.includes(machine.id)) : machines;
  const sizesIn = (orientation: BuildOrientation) => sizesOn(usable, ways[orientation]);
  const sizes = { XY: sizesIn('XY'), XZ: sizesIn('XZ'), ZX: sizesIn('ZX') };
  const roomy = (orientation: BuildOrientation) =>
    [...sizes[orientation].findings.values()].every((found) => found.length === 0);
  return {
    ...ways.XY,
    ways,
    machines: usable,
    rules,
    agent: (id) => agents.find((one) => one.id === id) ?? findAgent(id),
    sizes,
    fitsEverywhere: { XY: roomy('XY'), XZ: roomy('XZ'), ZX: roomy('ZX') },
  };
}

interface SizesOn {
  /** Longest edge, whichever way it stands. */
  longestMm: number;
  findings: ReadonlyMap<Machine, readonly FitFinding[]>;
}

function sizesOn(machines: readonly Machine[], { body, up, fibre }: PreparedPart): SizesOn {
  const box = boxOf(body.extentMm, up);
  return {
    longestMm: longestOf(box),
    findings: new Map(
      machines.map((machine) => [machine, [...sizeFindings(machine, box), ...(fibre ? fibreFindings(machine) : [])]]),
    ),
  };
}

/** `explain` writes down how each property came about; only a shown working needs it. */
export function materialFor(prepared: PreparedBrief, grade: Grade, explain = false): Material {
  const { brief, rules } = prepared;
  return cachedMaterial(grade, brief.moisture, rules, explain, printStateOf(brief));
}

/**
 * One grade in several orientations, each on the machine that suits it best. Where no machine is too small for the part and
 * it takes as much material either way, the build orientation does not change the choice, which is then made once.
 */
export function contextsFor(
  prepared: PreparedBrief,
  material: Material,
  orientations: readonly BuildOrientation[],
): CheckContext[] {
  const weathering = weatheringOf(prepared.brief, material, prepared.rules);
  // What wants warm air round it fails the more often the larger it is.
  const shared = new Map<number, Candidate | undefined>();
  return orientations.map((orientation) => {
    const way = prepared.ways[orientation];
    const sizes = prepared.sizes[orientation];
    const alike = prepared.fitsEverywhere[orientation] && way.body === prepared.body;
    const massG = massOf(way, material);
    const choice = (alike && shared.get(sizes.longestMm)) || chooseMachine(prepared, way, material, sizes, massG);
    if (alike) shared.set(sizes.longestMm, choice);
    return contextOf({ prepared, way, orientation, material, weathering, massG, choice });
  });
}

export function contextFor(prepared: PreparedBrief, material: Material, orientation: BuildOrientation): CheckContext {
  return contextsFor(prepared, material, [orientation])[0]!;
}

/** One grade in a part that is built up along any direction; it goes by the name of the nearest orientation. */
export function tiltedContext(prepared: PreparedBrief, material: Material, up: Direction): CheckContext {
  const way = preparePart(prepared.brief, up);
  const massG = massOf(way, material);
  const choice = chooseMachine(prepared, way, material, sizesOn(prepared.machines, way), massG);
  const weathering = weatheringOf(prepared.brief, material, prepared.rules);
  return contextOf({ prepared, way, orientation: nearestOrientation(up), material, weathering, massG, choice });
}

function nearestOrientation(up: Direction): BuildOrientation {
  const along = (orientation: BuildOrientation) => Math.abs(dot(BUILT_UP[orientation], up));
  return [...ORIENTATIONS].sort((a, b) => along(b) - along(a))[0]!;
}

/** Strands take the place of as much of the print. */
const massOf = ({ body, fibre }: PreparedPart, { density }: Material): number | null => {
  if (!density.known) return null;
  const laidMm3 = fibre?.laidMm3 ?? 0;
  return (Math.max(0, body.volumeMm3 - laidMm3) * density.value + laidMm3 * (fibre?.tow.densityGPerCm3 ?? 0)) / 1000;
};

function contextOf(given: {
  prepared: PreparedBrief;
  way: PreparedPart;
  orientation: BuildOrientation;
  material: Material;
  weathering: Weathering | undefined;
  massG: number | null;
  choice: Candidate | undefined;
}): CheckContext {
  const { prepared, way, orientation, material, weathering, massG, choice } = given;
  return {
    brief: prepared.brief,
    rules: prepared.rules,
    material,
    part: way,
    body: way.body,
    orientation,
    layerStresses: relievedLayerStresses(way, material),
    compliances: compliancesOf(way, material),
    fit: choice?.fit,
    massG,
    cost: choice?.priced?.cost ?? null,
    costLines: () => (choice?.priced ? linesOf(choice.priced) : []),
    priceIsFamilyEstimate: choice?.priced?.priceFrom === 'family',
    heatLimits: {},
    agent: prepared.agent,
    weathering,
  };
}

/** No blocker first, then the cheapest; undefined without machines, or where the family's process is not known. */
function chooseMachine(
  { machines, rules, brief }: PreparedBrief,
  { body, fibre }: PreparedPart,
  material: Material,
  sizes: SizesOn,
  massG: number | null,
): Candidate | undefined {
  const whatever = fitsWhateverTheSize(material, machines, rules);
  if (!whatever) return undefined;
  const { needs, fits } = whatever;
  const strands = fibre && strandCost(fibre);
  // Only the machines with the fewest issues are priced: a cheaper one that is blocked is never chosen. Those with the
  // fewest blockers whatever the size come first, so that hardly any is priced in vain.
  let fewest = Infinity;
  let best: Tried | undefined;
  for (const { fit, blockers, filament } of fits) {
    if (blockers > fewest) break;
    const { machine } = fit;
    const tooLarge = sizes.findings.get(machine)!;
    const risk = warpRisk(needs, machine, sizes.longestMm);
    const count = blockers + tooLarge.length + Number(risk?.blocks ?? false);
    if (count > fewest) continue;
    if (count < fewest) best = undefined;
    fewest = count;
    let priced: Priced | null = null;
    if (massG !== null && filament) {
      const { priceFrom } = filament;
      const input: CostInput = {
        massG,
        volumeMm3: body.volumeMm3,
        filament,
        machine,
        rules,
        lot: brief.asks.lot,
        failShare: risk?.failShare,
      };
      if (strands) input.fibre = strands;
      priced = { cost: partCost(input), input, priceFrom };
    }
    const tried = { fit, priced, tooLarge };
    if (!best || isBetter(tried, best)) best = tried;
  }
  if (!best) return undefined;
  const { fit, priced, tooLarge } = best;
  const ofPart = [...warpFindings(needs, fit.machine, sizes.longestMm), ...tooLarge];
  return { fit: ofPart.length === 0 ? fit : verdictOf(fit.machine, [...fit.findings, ...ofPart]), priced };
}

/** What strands cost beside the print: their own price and the time they take, in place of as much of the print. */
const strandCost = ({ tow, usedMm3, laidMm3, lengthMm }: LaidFibre) => ({
  laidMm3,
  massG: (laidMm3 * tow.densityGPerCm3) / 1000,
  strandUsd: (usedMm3 / 1000) * tow.pricePerCm3Usd,
  lengthMm,
});

/** How each machine suits a material, whatever the part; kept with the material, which belongs to one set of rules. */
const fitsOf = new WeakMap<Material, Whatever>();

interface Whatever {
  needs: ProcessNeeds;
  machines: readonly Machine[];
  /** The fewest blockers first. */
  fits: readonly AnySize[];
}
interface AnySize {
  fit: MachineFit;
  blockers: number;
  filament: ReturnType<typeof filamentCost>;
}

function fitsWhateverTheSize(
  material: Material,
  machines: readonly Machine[],
  rules: CompleteRules,
): Whatever | undefined {
  let found = fitsOf.get(material);
  if (found && isSameList(found.machines, machines)) return found;
  const usual = processNeeds(material.grade, material.family, material.filler);
  if (!usual) return undefined;
  const { foam, neededChamberC } = material;
  const needs: ProcessNeeds = {
    ...usual,
    ...(foam ? { nozzleC: { low: foam.nozzleC, mid: foam.nozzleC } } : {}),
    ...(neededChamberC === null ? {} : { crystallisesAtC: neededChamberC }),
  };
  found = {
    needs,
    machines,
    fits: machines
      .map((machine) => {
        const fit = verdictOf(machine, materialFindings(needs, machine, rules));
        const blockers = fit.findings.filter(({ verdict }) => verdict === 'blocker').length;
        return { fit, blockers, filament: filamentCost(material, machine, rules) };
      })
      .toSorted((a, b) => a.blockers - b.blockers),
  };
  fitsOf.set(material, found);
  return found;
}

const isSameList = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a === b || (a.length === b.length && a.every((one, i) => one === b[i]));

type Candidate = { fit: MachineFit; priced: Priced | null };
interface Priced {
  cost: Cost;
  input: CostInput;
  priceFrom: PriceSource;
}

const linesOf = ({ cost, input, priceFrom }: Priced) => costLines(cost, input, priceFrom);

/** A machine that is held against the others; only that of the best is joined with what its size says. */
interface Tried extends Candidate {
  /** Whatever the size of the part. */
  fit: MachineFit;
  tooLarge: readonly FitFinding[];
}

function isBetter(a: Tried, b: Tried): boolean {
  const difference = (a.priced?.cost.totalUsd ?? Infinity) - (b.priced?.cost.totalUsd ?? Infinity);
  return difference === 0 || Number.isNaN(difference) ? a.fit.machine.id < b.fit.machine.id : difference < 0;
}
