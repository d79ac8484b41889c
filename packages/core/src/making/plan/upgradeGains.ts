import type { Brief, CompanyRules, Library, Statement } from '@anvilstone/schema';
import { choose, usualPreferences, screen } from '@anvilstone/core/evaluation';
import { InputError } from '@anvilstone/core/foundations';
import { machineUpgrades } from '@anvilstone/core/machines';
import { defaultCompanyRules } from '@anvilstone/core/materials';

/** What an upgrade does for one part. */
export interface PartGain {
  title: string;
  /** Grades that pass with it and did not before. */
  gradeIds: readonly string[];
  /** Who is cheapest now and with it, USD a part; null: nobody passes. */
  cheapestUsd: number | null;
  thenUsd: number | null;
}

/** One upgrade of one machine, over all parts. */
export interface UpgradeGain {
  machineId: string;
  title: Statement;
  priceUsd: number;
  caution?: string;
  parts: readonly PartGain[];
}

/**
 * What each upgrade of a machine would let the workshop print: the parts in which further grades pass, those that gain most
 * first. Briefs that cannot be evaluated are left out.
 * @throws InputError when there is no such machine
 */
export function upgradeGains(
  briefs: readonly Brief[],
  library: Library,
  machineId: string,
  rules: CompanyRules = defaultCompanyRules,
): UpgradeGain[] {
  const machine = library.machines.find(({ id }) => id === machineId);
  if (!machine) throw new InputError('machineId', machineId, library.machines.map(({ id }) => id).join(', '));
  const now = briefs.flatMap((brief) => {
    const found = passing(brief, library, rules);
    return found ? [{ brief, found }] : [];
  });
  return machineUpgrades(machine)
    .map(({ title, priceUsd, machine: upgraded, caution }): UpgradeGain => {
      const machines = library.machines.map((one) => (one === machine ? upgraded : one));
      const parts = now.flatMap(({ brief, found }) => {
        const then = passing(brief, { ...library, machines }, rules)!;
        const gradeIds = [...then.ids].filter((id) => !found.ids.has(id));
        const isCheaper = (then.cheapestUsd ?? Infinity) < (found.cheapestUsd ?? Infinity) - 0.005;
        return gradeIds.length > 0 || isCheaper
          ? [{ title: brief.title, gradeIds, cheapestUsd: found.cheapestUsd, thenUsd: then.cheapestUsd }]
          : [];
      });
      return { machineId, title, priceUsd, ...(caution ? { caution } : {}), parts };
    })
    .sort((a, b) => gained(b) - gained(a) || a.priceUsd - b.priceUsd);
}

const gained = ({ parts }: UpgradeGain) => parts.reduce((sum, { gradeIds }) => sum + gradeIds.length, 0);

function passing(
  brief: Brief,
  library: Library,
  rules: CompanyRules,
): { ids: Set<string>; cheapestUsd: number | null } | undefined {
  try {
    const ranked = choose({ brief, library, rules }, screen(brief, library, { rules }).grades, {
      preferences: { ...usualPreferences(rules), schoolId: 'cheapest-that-passes' },
      places: 1,
    });
    const ids = ranked.filter(({ best }) => best.status === 'pass').map(({ gradeId }) => gradeId);
    return { ids: new Set(ids), cheapestUsd: ranked[0]?.best.status === 'pass' ? ranked[0].best.costUsd : null };
  } catch (error) {
    if (error instanceof InputError) return undefined;
    throw error;
  }
}
