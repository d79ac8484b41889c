import { say } from '@anvilstone/core/foundations';
import type { Statement } from '@anvilstone/schema';
import type { Check } from '../engine/check.ts';
import { judged, unknown } from '../engine/outcome.ts';
import { claimText, outOfScope } from './claims.ts';

/** Whether its family usually survives the method, and how often. Never an approval of the part for any use. */
export const sterilise: Check = {
  id: 'sterilise',
  title: 'Sterilisation',
  anyWayUp: true,
  asks: 'Does it survive this sterilisation, that often?',
  failsAs: 'crazed',
  words: ['Cycles required', 'cycles survived'],
  applies: ({ brief }) => brief.asks.sterilise !== undefined,
  evaluate(context, working) {
    const { method, cycles } = context.brief.asks.sterilise!;
    const { family, grade } = context.material;
    const test = `Run ${cycles} cycles of ${method} on three printed parts, then measure and load them`;
    const gaps: Statement[] = [];
    for (const claim of (grade.claims ?? []).filter(({ kind }) => kind === 'sterilisation')) {
      const says = claim.statement.toLowerCase().includes(method.toLowerCase());
      const proven = Number(/(\d+)\s*(cycles|×|times)/i.exec(claim.statement)?.[1] ?? 1);
      const why =
        outOfScope(claim, context) ??
        (says ? undefined : `it does not name ${method}`) ??
        (proven < cycles ? `it speaks of ${proven} cycles` : undefined);
      working?.add('', 'Claim', claimText(claim), '', { source: why ?? 'covers this part' });
      if (!why) return judged('pass', 'B', say`The maker states ${claimText(claim)}`);
      gaps.push(say`Claimed for other conditions: ${claimText(claim)}; ${why}`);
    }
    if (!family) return unknown('', [...gaps, `Its family is not known. ${test}`]);
    if (!family.sterilisation.includes(method))
      return judged('fail', 'D', `${family.abbreviation} does not usually survive ${method}`);
    const usual = context.rules.sterilisationCycles;
    if (cycles > usual)
      return unknown('', [
        ...gaps,
        `${family.abbreviation} usually survives a few cycles; ${cycles} are not known. ${test}`,
      ]);
    return judged(
      'pass',
      'D',
      `${family.abbreviation} usually survives ${method}, unloaded; not tested on this grade`,
      {
        demand: cycles,
        capacity: usual,
        reserve: usual / cycles,
        unit: 'cycles',
      },
    );
  },
};
