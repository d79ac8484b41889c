import type { CompanyRules, Machine } from '@anvilstone/schema';
import {
  warpFindings,
  longestOf,
  type BoxOnBed,
  materialFindings,
  sizeFindings,
  type FitFinding,
  type ProcessNeeds,
  machineUpgrades,
  type MachineUpgrade,
} from '@anvilstone/core/machines';

/** The cheapest set of upgrades after which a machine is as it is wanted. */
export interface Unlock {
  upgrades: readonly MachineUpgrade[];
  priceUsd: number;
  /** The machine with all of them. */
  machine: Machine;
}

/** More than this at once is another machine. */
const MOST_UPGRADES = 4;

/** Nothing blocks a grade on a machine once it has these. Undefined: nothing does now, or no set helps (too small for the part). */
export function cheapestUnlock(
  needs: ProcessNeeds,
  machine: Machine,
  box: BoxOnBed,
  rules: CompanyRules,
): Unlock | undefined {
  return cheapestSet(machine, (one) => isFree(findingsOn(needs, one, box, rules)));
}

/** No print fails for want of warm air once a machine has these. Undefined: none does now, something else blocks it, or no set helps. */
export function cheapestRelief(
  needs: ProcessNeeds,
  machine: Machine,
  box: BoxOnBed,
  rules: CompanyRules,
): Unlock | undefined {
  if (!isFree(findingsOn(needs, machine, box, rules))) return undefined;
  return cheapestSet(machine, (one) => {
    const findings = findingsOn(needs, one, box, rules);
    return isFree(findings) && findings.every(({ failShare }) => failShare === undefined);
  });
}

const findingsOn = (
  needs: ProcessNeeds,
  machine: Machine,
  box: BoxOnBed,
  rules: CompanyRules,
): readonly FitFinding[] => [
  ...materialFindings(needs, machine, rules),
  ...warpFindings(needs, machine, longestOf(box)),
  ...sizeFindings(machine, box),
];

const isFree = (findings: readonly FitFinding[]) => findings.every(({ verdict }) => verdict !== 'blocker');

/** Tries every set of at most four upgrades. Undefined: the machine is good as it is, or no set makes it so. */
function cheapestSet(machine: Machine, isGood: (machine: Machine) => boolean): Unlock | undefined {
  if (isGood(machine)) return undefined;
  const all = machineUpgrades(machine);
  let best: Unlock | undefined;
  const look = (from: number, chosen: readonly MachineUpgrade[], changed: Machine, priceUsd: number): void => {
    if (best && priceUsd >= best.priceUsd) return;
    if (chosen.length > 0 && isGood(changed)) {
      best = { upgrades: chosen, priceUsd, machine: changed };
      return;
    }
    if (chosen.length === MOST_UPGRADES) return;
    for (let i = from; i < all.length; i++) {
      const next = all[i]!;
      look(i + 1, [...chosen, next], { ...changed, ...next.change }, priceUsd + next.priceUsd);
    }
  };
  look(0, [], machine, 0);
  return best;
}
