import type { Brief, EvaluationEntry, Grade, Machine } from '@anvilstone/schema';
import { formatNumber as f, say, celsius, inWords } from '@anvilstone/core/foundations';
import { machineUpgrades } from '@anvilstone/core/machines';
import { chamberCrystallisesC, annealingOf, findFamily } from '@anvilstone/core/materials';
import type { Offer } from './fix.ts';

/** Annealing, and water taken up before use: what changes a grade without changing the drawing. */
export function offerTreatments(brief: Brief, grade: Grade, offer: Offer): void {
  const family = findFamily(grade.familyId);
  const annealing = annealingOf(family);
  if (annealing && !brief.annealed)
    offer(
      'anneal',
      say`Anneal it: ${f(annealing.hours)} h at ${celsius(annealing.temperatureC)}`,
      { ...brief, annealed: true },
      {
        takes: `An oven, not in the cost; draw it ${f(annealing.shrinkPct)} % larger. What it gains is typical of the family, not tested.`,
      },
    );
  const chamberC = chamberCrystallisesC(family);
  if (chamberC !== null && !brief.annealed && !brief.crystallisedInChamber)
    offer(
      'chamber',
      say`Print it in a chamber at ${celsius(chamberC)}, where it crystallises as it is laid`,
      { ...brief, crystallisedInChamber: true },
      { takes: 'A machine whose chamber gets so hot. What it gains is typical of the family, not tested.' },
    );
  // Only polymers that take up water in earnest get tougher by it.
  if (family && brief.moisture === 'dry' && family.impactFactorConditioned > 1.1)
    offer(
      'conditioning',
      'Condition it before use: in balance with air instead of dry',
      { ...brief, moisture: 'conditioned' },
      { takes: `It takes up ${f(family.waterAt23C50RhPct)} % of water, grows, and gets softer and tougher.` },
    );
}

/** One change of one machine that would settle an issue of the grade there, at its usual price. */
export function offerUpgrades(brief: Brief, machines: readonly Machine[], now: EvaluationEntry, offer: Offer): void {
  if (!now.checks.some(({ checkId, status }) => checkId === 'printable' && status === 'fail')) return;
  const offered = new Set<string>();
  for (const machine of machines)
    for (const upgrade of machineUpgrades(machine)) {
      const title = say`${machine.name}: ${upgrade.title}`;
      if (offered.has(inWords(title))) continue;
      offered.add(inWords(title));
      offer('upgrade', title, brief, {
        machines: machines.map((one) => (one === machine ? upgrade.machine : one)),
        outsideBrief: true,
        takes: `About ${f(upgrade.priceUsd)} USD for the machine (typical), not in the cost of the part.`,
      });
    }
}
