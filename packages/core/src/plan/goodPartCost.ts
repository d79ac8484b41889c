import type { EvaluationEntry, Grade, HouseRules, Machine } from '@anvilstone/schema';
import { requirePositiveValue } from '../input/require.ts';
import { processNeeds } from '../process/machineFit.ts';
import { NOZZLE_LIFE_G } from '../process/handlingFindings.ts';
import { findFamily } from '../reference/family.ts';
import { costPerUse } from './consumable.ts';
import { findReinforcement } from '../reference/reinforcement.ts';
import { completeRules, defaultHouseRules } from '../rules/houseRules.ts';
import { formatNumber as f } from '../units/formatQuantity.ts';

/** Usual prices that the house rules do not state, USD. Ours, class D. */
const NOZZLE_USD = { brass: 8, hardened: 25 } as const;
const DRYER_HOUR_USD = 0.12;
const SPOOL_G = 1000;
/** Setting up a batch: changing the spool, cleaning, first layer. */
export const USUAL_SETUP_USD = 5;

export interface CostOptions {
  /** Good parts in one batch. @default 1 */
  quantity?: number;
  /** Once for the batch, USD. @default 5 */
  setupUsd?: number;
  /** Bought for it, USD, spread over the batch. @default 0 */
  upgradesUsd?: number;
  /** Support that is thrown away, g. @default 0 */
  supportG?: number;
  /** What the filament cost, where that is known better than by its list price, and whence. */
  paid?: { pricePerKgUsd: number; from: string };
  /** Continuous strands within its mass, and what they cost. */
  strands?: { massG: number; strandUsd: number };
  /** How often one part is used before it is replaced; absent: it is not a consumable. */
  uses?: number;
  /** Of changing to the next one, USD. @default 0 */
  changeOverUsd?: number;
}

export interface CostComponent {
  id: string;
  title: string;
  usd: number;
  how: string;
}

export interface GoodPartCost {
  quantity: number;
  /** For one print, before scrap. */
  components: readonly CostComponent[];
  /** Share of prints that are scrapped, and where that is from. */
  scrapShare: number;
  scrapFrom: string;
  totalUsd: number;
  /** With change-over; null: it is not a consumable. */
  perUseUsd: number | null;
  /** On a machine with a closed supply: what a part costs more than with the grade at its open price; null: an open machine. */
  closedExtraUsd: number | null;
}

/** The house's share counts as so many prints beside a machine's own. */
const HOUSE_PRINTS = 20;

/**
 * Cost of one good part, USD, with every component: filament with purge and support, machine hours, drying, nozzle wear by abrasive
 * grams, labour, its share of setting up and of upgrades, over the share of prints that succeed. Scrap from the machine's own
 * history, drawn towards the house's share while it is short. Undefined: mass, time or price is not known.
 * @throws InputError quantity or uses not above 0
 */
export function goodPartCost(
  entry: Pick<EvaluationEntry, 'massG' | 'printTimeH'>,
  grade: Grade,
  machine: Machine,
  rules: HouseRules = defaultHouseRules,
  options: CostOptions = {},
): GoodPartCost | undefined {
  const {
    quantity = 1,
    setupUsd = USUAL_SETUP_USD,
    upgradesUsd = 0,
    supportG = 0,
    uses,
    changeOverUsd = 0,
    strands,
    paid,
  } = options;
  requirePositiveValue('quantity', quantity);
  if (uses !== undefined) requirePositiveValue('uses', uses);
  const family = findFamily(grade.familyId);
  const filler = findReinforcement(grade.reinforcementId);
  const openUsd = grade.pricePerKgUsd ?? (family && family.pricePerKgUsd.mid * (filler?.priceFactor ?? 1));
  const pricePerKgUsd = machine.closedSupply?.pricePerKgUsd ?? paid?.pricePerKgUsd ?? openUsd;
  const { massG, printTimeH } = entry;
  if (massG === null || !printTimeH || pricePerKgUsd === undefined || !family) return undefined;
  const house = completeRules(rules);
  const printedG = Math.max(0, massG - (strands?.massG ?? 0));
  const usedG = (printedG + supportG) * (1 + house.purgeShare);
  const hourUsd = house.machineHourUsd ?? machine.hourlyRateUsd;
  const dryingH = Math.max(grade.process.dryingH ?? family.dryingH, house.minimumDryingH);
  const abrasive = processNeeds(grade, family, filler)!.abrasive;
  const life = NOZZLE_LIFE_G[machine.nozzleMaterial];
  const components: CostComponent[] = [
    {
      id: 'filament',
      title: 'Filament',
      usd: (usedG / 1000) * pricePerKgUsd,
      how: `${f(printedG)} g${supportG > 0 ? ` and ${f(supportG)} g of support` : ''}, ${f(100 * house.purgeShare)} % purge, ${f(pricePerKgUsd)} USD/kg (${priceFrom(grade, machine, paid?.from)})`,
    },
    ...(strands
      ? [
          {
            id: 'strands',
            title: 'Strands',
            usd: strands.strandUsd,
            how: `${f(strands.massG)} g of continuous fibre, with what cuts lose`,
          },
        ]
      : []),
    {
      id: 'machine',
      title: 'Machine',
      usd: printTimeH * hourUsd,
      how: `${f(printTimeH)} h at ${f(hourUsd)} USD`,
    },
    {
      id: 'drying',
      title: 'Drying',
      usd: (dryingH * DRYER_HOUR_USD * usedG) / SPOOL_G,
      how: `its share of a spool dried for ${f(dryingH)} h at ${DRYER_HOUR_USD} USD an hour`,
    },
    {
      id: 'nozzle',
      title: 'Nozzle wear',
      usd: abrasive ? (usedG / life) * NOZZLE_USD[machine.nozzleMaterial] : 0,
      how: abrasive
        ? `${f(usedG)} g abrasive through a nozzle of ${NOZZLE_USD[machine.nozzleMaterial]} USD that bears ${life} g`
        : 'nothing in it wears a nozzle',
    },
    { id: 'labour', title: 'Labour', usd: house.labourPerPartUsd, how: 'for each part, by the house rules' },
    {
      id: 'setup',
      title: 'Setting up',
      usd: setupUsd / quantity,
      how: `${f(setupUsd)} USD over ${f(quantity)} part${quantity === 1 ? '' : 's'}`,
    },
    ...(upgradesUsd > 0
      ? [
          {
            id: 'upgrades',
            title: 'Upgrades',
            usd: upgradesUsd / quantity,
            how: `${f(upgradesUsd)} USD over ${f(quantity)} part${quantity === 1 ? '' : 's'}`,
          },
        ]
      : []),
  ];
  const { share, from } = scrapOf(machine, house.scrapShare);
  // Set-up and upgrades are not paid again for a scrapped print.
  const once = components.filter(({ id }) => id === 'setup' || id === 'upgrades');
  const each = components.filter((one) => !once.includes(one));
  const totalUsd = sum(each) / (1 - share) + sum(once);
  const closedExtraUsd =
    machine.closedSupply && openUsd !== undefined ? ((usedG / 1000) * (pricePerKgUsd - openUsd)) / (1 - share) : null;
  return {
    quantity,
    components,
    scrapShare: share,
    scrapFrom: from,
    totalUsd,
    perUseUsd: uses === undefined ? null : costPerUse({ partUsd: totalUsd, changeOverUsd, uses }),
    closedExtraUsd,
  };
}

const priceFrom = (grade: Grade, machine: Machine, paidFrom: string | undefined) =>
  machine.closedSupply
    ? `closed supply of ${machine.name}`
    : (paidFrom ?? (grade.pricePerKgUsd === null ? 'typical of its family' : 'list price'));

const sum = (components: readonly CostComponent[]) => components.reduce((total, { usd }) => total + usd, 0);

/** (failed + 20 × house) ÷ (prints + 20): a short history says little. */
export function scrapOf({ condition, name }: Machine, houseShare: number): { share: number; from: string } {
  const { prints, failedPrints } = condition ?? {};
  if (!prints || failedPrints === undefined) return { share: houseShare, from: 'by the house rules' };
  const share = Math.min(0.95, (failedPrints + HOUSE_PRINTS * houseShare) / (prints + HOUSE_PRINTS));
  return {
    share,
    from: `${failedPrints} of ${prints} prints of ${name} failed, drawn towards the house’s ${f(100 * houseShare)} %`,
  };
}
