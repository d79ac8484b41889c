import type { Machine } from '@anvilstone/schema';
import { formatNumber as f, say, celsius, grams } from '@anvilstone/core/foundations';
import { holdingPowerW } from './bedPower.ts';
import { blocker, caution } from './findings.ts';
import type { FitFinding, HandlingNeeds, ProcessNeeds } from './fitFinding.ts';
import { airC } from './warpRisk.ts';

/**
 * What else stands between a grade and a machine that says so of itself: sensor, supply, its own plastic, chamber against the
 * glass transition, surface and release, filament diameter, air, and a worn nozzle. What a machine does not state is asked
 * for only where it matters.
 */
export function handlingFindings(needs: ProcessNeeds, machine: Machine): FitFinding[] {
  const { handling } = needs;
  return [
    ...sensorFindings(needs, machine),
    ...wearFindings(needs, machine),
    ...closedFindings(machine),
    ...(handling
      ? [
          ...supplyFindings(needs, handling, machine),
          ...ownPlasticFindings(needs, handling, machine),
          ...chamberFindings(handling, machine),
          ...surfaceFindings(handling, machine),
          ...diameterFindings(handling, machine),
          ...airFindings(handling, machine),
        ]
      : []),
  ];
}

/** Usual sensors drift or let go near here, °C. */
const USUAL_SENSOR_C = 280;

function sensorFindings({ nozzleC: { low, mid } }: ProcessNeeds, { sensorLimitC }: Machine): FitFinding[] {
  if (sensorLimitC === undefined)
    return mid > USUAL_SENSOR_C
      ? [
          caution(
            say`Up to what its temperature sensor holds is not stated; usual ones drift or fail near ${celsius(USUAL_SENSOR_C)}`,
          ),
        ]
      : [];
  if (low > sensorLimitC)
    return [
      blocker(
        say`Its temperature sensor can be trusted to ${celsius(sensorLimitC)}; ${celsius(low)} is needed: fit one that holds`,
      ),
    ];
  return mid > sensorLimitC
    ? [caution(say`Keep the nozzle at ${celsius(sensorLimitC)} or less, the limit of its sensor`)]
    : [];
}

const closedFindings = ({ closedSupply }: Machine): FitFinding[] =>
  closedSupply
    ? [
        caution(
          `Only its maker’s spools, at ${f(closedSupply.pricePerKgUsd)} USD/kg: ask whether this grade is sold for it`,
        ),
      ]
    : [];

/** Abrasive filament that a nozzle of each kind bears before its bore is out of size, g. Ours, class D. */
export const NOZZLE_LIFE_G = { brass: 250, hardened: 8000 } as const;

function wearFindings({ abrasive }: ProcessNeeds, { nozzleMaterial, condition }: Machine): FitFinding[] {
  const passed = condition?.nozzleAbrasiveG;
  const life = NOZZLE_LIFE_G[nozzleMaterial];
  if (passed === undefined || passed < life) return [];
  return [
    caution(
      say`${grams(passed)} of abrasive filament went through its nozzle, which bears about ${grams(life)}: measure the bore or change it${abrasive ? ' before this' : ''}`,
    ),
  ];
}

function supplyFindings({ bedLowC }: ProcessNeeds, { bedHighC }: HandlingNeeds, machine: Machine): FitFinding[] {
  const { supplyW, mainsBed } = machine;
  if (supplyW === undefined || mainsBed || bedLowC > machine.maximumBedC) return [];
  const needed = holdingPowerW(machine, bedLowC);
  if (needed > supplyW)
    return [
      blocker(
        say`Holding the bed at ${celsius(bedLowC)} and a hot nozzle takes about ${f(needed, 2)} W; its supply gives ${f(supplyW)} W: fit a stronger one, or insulate and enclose`,
      ),
    ];
  const midC = Math.min(machine.maximumBedC, (bedLowC + bedHighC) / 2);
  return holdingPowerW(machine, midC) > supplyW
    ? [
        caution(
          say`Its supply of ${f(supplyW)} W will not hold a bed of ${celsius(midC)}; keep it near ${celsius(bedLowC)}`,
        ),
      ]
    : [];
}

function ownPlasticFindings(
  { enclosure, chamber }: ProcessNeeds,
  { bedHighC }: HandlingNeeds,
  machine: Machine,
): FitFinding[] {
  const { ownPlasticC, maximumBedC, enclosure: has } = machine;
  if (ownPlasticC === undefined || has === 'open') return [];
  const unheatedC = airC({ enclosure: 'enclosed', maximumChamberC: null }, Math.min(bedHighC, maximumBedC));
  const hottestC = enclosure === 'heated' && has === 'heated' ? (chamber.minimum ?? unheatedC) : unheatedC;
  const text = say`Its own plastic near the heat softens at ${celsius(ownPlasticC)}; the air around it gets to about ${celsius(hottestC, 2)}`;
  if (hottestC > ownPlasticC) return [blocker(say`${text}: change those parts first`)];
  return hottestC > ownPlasticC - 15 ? [caution(say`${text}: watch ducts and mounts`)] : [];
}

/** Closer than this below its glass transition filament softens before the nozzle, and the part sags, K. */
const BELOW_TG_K = 10;

function chamberFindings({ amorphous, glassTransitionC }: HandlingNeeds, machine: Machine): FitFinding[] {
  if (machine.maximumChamberC === null || !amorphous) return [];
  const limitC = glassTransitionC - BELOW_TG_K;
  return machine.maximumChamberC > limitC
    ? [
        caution(
          say`Keep its chamber at ${celsius(limitC)} or less: the polymer softens at ${celsius(glassTransitionC)}`,
        ),
      ]
    : [];
}

function surfaceFindings({ bedSurfaces, releaseAgentNeeded }: HandlingNeeds, machine: Machine): FitFinding[] {
  if (machine.bedSurfaces === undefined) return [];
  const shared = bedSurfaces.filter((one) => machine.bedSurfaces!.some((has) => has === one));
  if (shared.length === 0)
    return [caution(`Poor adhesion on the available surfaces; it needs ${bedSurfaces.slice(0, 2).join(' or ')}`)];
  return releaseAgentNeeded && !machine.releaseAgent
    ? [caution(`Wants a glue or release film on ${shared[0]}, for hold and to protect it; none available`)]
    : [];
}

function diameterFindings({ diametersMm }: HandlingNeeds, { filamentDiameterMm }: Machine): FitFinding[] {
  if (filamentDiameterMm === undefined) return [];
  if (diametersMm === undefined)
    return filamentDiameterMm === USUAL_DIAMETER_MM
      ? []
      : [blocker(`Takes ${filamentDiameterMm} mm filament; this grade is not stated in that diameter`)];
  return diametersMm.some((one) => Math.abs(one - filamentDiameterMm) < 0.06)
    ? []
    : [blocker(`Takes ${filamentDiameterMm} mm filament; this grade is sold in ${diametersMm.join(' and ')} mm`)];
}

/** Nearly everything is sold in it. */
const USUAL_DIAMETER_MM = 1.75;

const FUME_WORDS: Partial<Record<HandlingNeeds['fumes'], string>> = {
  styrene: 'styrene',
  caprolactam: 'caprolactam',
  acrylic: 'acrylic vapours',
  highTemperature: 'vapours of a very hot melt',
};

function airFindings({ fumes }: HandlingNeeds, { ventilation }: Machine): FitFinding[] {
  const what = FUME_WORDS[fumes];
  if (!what || ventilation === undefined || ventilation === 'extracted') return [];
  return ventilation === 'none'
    ? [
        caution(
          `Gives off ${what}, and its air is neither filtered nor extracted: ventilate, and stay away while it prints`,
        ),
      ]
    : [caution(`Gives off ${what}: its filter holds some of it; extract the air where you can`)];
}
