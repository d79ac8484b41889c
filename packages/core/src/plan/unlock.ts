import type { HouseRules, Machine } from '@anvilstone/schema';
import type { BoxOnBed } from '../process/boxOnBed.ts';
import { materialFindings, sizeFindings, type FitFinding, type ProcessNeeds } from '../process/machineFit.ts';
import { machineUpgrades, type MachineUpgrade } from '../process/upgrades.ts';

/** The cheapest set of upgrades after which nothing blocks a grade on a machine. */
export interface Unlock {
  upgrades: readonly MachineUpgrade[];
  priceUsd: number;
  /** The machine with all of them. */
  machine: Machine;
}

/** More than this at once is another machine. */
const MOST_UPGRADES = 4;

/**
 * Tries every set of at most four upgrades. Undefined: nothing blocks it, or no set helps (too small, or a chamber that cannot
 * be added).
 */
export function cheapestUnlock(
  needs: ProcessNeeds,
  machine: Machine,
  box: BoxOnBed,
  rules: HouseRules,
): Unlock | undefined {
  const blocked = (one: Machine) => blockers([...materialFindings(needs, one, rules), ...sizeFindings(one, box)]) > 0;
  if (!blocked(machine)) return undefined;
  const all = machineUpgrades(machine);
  let best: Unlock | undefined;
  const look = (from: number, chosen: readonly MachineUpgrade[], changed: Machine, priceUsd: number): void => {
    if (best && priceUsd >= best.priceUsd) return;
    if (chosen.length > 0 && !blocked(changed)) {
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

const blockers = (findings: readonly FitFinding[]) =>
  findings.reduce((count, { verdict }) => count + Number(verdict === 'blocker'), 0);
