import { findCheck } from '@anvilstone/core/checks';
import type { Chance, RankedCandidate } from '@anvilstone/core/evaluation';
import {
  inSentence,
  formatNumber as f,
  formatQuantity,
  formatReserve,
  type UnitSystem,
} from '@anvilstone/core/foundations';
import { builtAs } from '@anvilstone/core/shapes';
import type { Brief, CheckResult, EvaluationEntry } from '@anvilstone/schema';

/** A piece of a sentence; one with a place is a number whose working can be opened. */
export interface Piece {
  text: string;
  to?: { gradeId: string; checkId?: string; built?: string };
}

/** What the paragraph is made from: the same things that the shortlist shows. */
export interface ChoiceInputs {
  brief: Brief;
  rankingMethod: { id: string; title: string };
  /** In the ranking method’s order. */
  ranked: readonly RankedCandidate[];
  /** Every build orientation of the first. */
  first: { best: EvaluationEntry; entries: readonly EvaluationEntry[] } | undefined;
  /** Undefined: not worked out, or not known. */
  chance: Chance | undefined;
  nameOf(gradeId: string): string;
  machineNameOf(machineId: string | null): string | null;
  units: UnitSystem;
}

const title = (checkId: string | null) => (checkId === null ? '' : (inSentence(findCheck(checkId)?.title) ?? checkId));
const plain = (text: string): Piece => ({ text });

/**
 * The choice in a few plain sentences: who leads and why, what governs and by how much, how sure that is, what the next one
 * costs, what weighs against it, and why the others fell. Every number comes from the evaluation.
 */
export function choiceSentences(grounds: ChoiceInputs): Piece[][] {
  const { ranked, first, rankingMethod } = grounds;
  const leader = ranked[0];
  if (!leader || !first || (leader.best.status !== 'pass' && rankingMethod.id !== 'lightest-when-sized'))
    return [nobodyPasses(grounds), ...rejections(grounds)];
  return [
    whoLeads(grounds, leader, first.best),
    whatGoverns(grounds, leader, first.best),
    ...howSure(grounds),
    ...evidence(leader, first.best),
    ...theNext(grounds, leader),
    ...otherWaysUp(grounds.brief, leader, first),
    ...rejections(grounds),
  ];
}

function nobodyPasses({ ranked, nameOf }: ChoiceInputs): Piece[] {
  const nearest = ranked[0];
  if (!nearest) return [plain('There are no grades.')];
  const { best, gradeId } = nearest;
  return [
    plain(`No grade passes every check. ${nameOf(gradeId)} comes nearest: `),
    best.minimumReserve === null
      ? { text: `${title(best.governingCheckId)} decides`, to: { gradeId } }
      : {
          text: `a reserve of ${formatReserve(best.minimumReserve)}`,
          to: { gradeId, ...(best.governingCheckId ? { checkId: best.governingCheckId } : {}) },
        },
    plain(best.minimumReserve === null ? '.' : ` in ${title(best.governingCheckId)}.`),
  ];
}

const GROUND_WORDS: Record<string, string> = {
  'cheapest-that-passes': 'is the cheapest of those that do',
  'weakest-link': 'has the highest minimum reserve of all that do',
  'weighted-merit': 'has the highest weighted merit of all that do',
};

function whoLeads(grounds: ChoiceInputs, { gradeId }: RankedCandidate, best: EvaluationEntry): Piece[] {
  const { brief, nameOf, machineNameOf, units, rankingMethod } = grounds;
  const machine = machineNameOf(best.machineId);
  const where = `${nameOf(gradeId)}, built ${builtAs(brief.part, best.orientation)}${machine ? ` on ${machine}` : ''}`;
  const count = best.checks.length;
  const price = best.costUsd === null ? 'cost unknown' : `${best.costUsd.toFixed(2)} USD`;
  const mass = best.massG === null ? 'mass unknown' : formatQuantity(best.massG, 'mass', units);
  const claim =
    best.status !== 'pass'
      ? ' does not pass as drawn, but makes the lightest part when each is sized to pass: '
      : rankingMethod.id === 'lightest-when-sized'
        ? ` passes all ${count} checks as drawn and makes the lightest part when each is sized to pass: `
        : ` passes all ${count} checks and ${GROUND_WORDS[rankingMethod.id] ?? 'comes first'}: `;
  return [
    { text: where, to: { gradeId } },
    plain(claim),
    { text: price, to: { gradeId, checkId: 'cost-limit' } },
    plain(` a part, ${mass}.`),
  ];
}

/** What happens when it gets hotter than it holds to. */
const BEYOND = {
  load: 'its loads exceed its strength or stiffness',
  form: 'its form limit is reached',
  ageing: 'thermal ageing limits its life',
} as const;

function whatGoverns({ units }: ChoiceInputs, { gradeId }: RankedCandidate, best: EvaluationEntry): Piece[] {
  const governing = best.checks.find(({ checkId }) => checkId === best.governingCheckId);
  if (!governing || governing.reserve === null) return [plain('No check with a value governs.')];
  const heat: Piece[] =
    best.ownHeatLimitC === null
      ? []
      : [
          plain(' The limit under load is '),
          { text: formatQuantity(Math.floor(best.ownHeatLimitC), 'temperature', units), to: { gradeId } },
          plain(best.ownHeatLimitBy ? `; beyond that ${BEYOND[best.ownHeatLimitBy]}.` : '.'),
        ];
  return [
    plain(`Governing: ${title(governing.checkId)}, with a reserve of `),
    { text: formatReserve(governing.reserve), to: { gradeId, checkId: governing.checkId } },
    plain('.'),
    ...heat,
  ];
}

function howSure({ chance }: ChoiceInputs): Piece[][] {
  if (!chance) return [];
  const weakest = chance.byCheck[0];
  const missed = weakest && weakest.met < 0.9995 ? `; ${title(weakest.checkId)} fails most often` : '';
  return [
    [
      plain(
        `With scatter of properties and loads, all checks are met in ${percent(chance.all)} of ${chance.draws.toLocaleString('en')} draws${missed}.`,
      ),
    ],
  ];
}

function percent(share: number): string {
  if (share > 0.999 && share < 1) return 'more than 99.9 %';
  return share === 1 ? 'all' : `${f(100 * share, 3)} %`;
}

function evidence({ gradeId }: RankedCandidate, { checks }: EvaluationEntry): Piece[][] {
  const typical = checks.filter((check) => check.evidence === 'D' && check.status === 'pass');
  if (typical.length === 0) return [];
  const weakest = typical.reduce((a, b) => ((b.reserve ?? Infinity) < (a.reserve ?? Infinity) ? b : a));
  return [
    [
      plain(typical.length === 1 ? 'One of its passes is based' : `${typical.length} of its passes are based`),
      plain(' on typical family values, not on tests of this grade, above all '),
      { text: title(weakest.checkId), to: { gradeId, checkId: weakest.checkId } },
      plain('.'),
    ],
  ];
}

function theNext({ ranked, nameOf, rankingMethod }: ChoiceInputs, leader: RankedCandidate): Piece[][] {
  const next = ranked[1];
  if (!next || next.best.status !== 'pass')
    return leader.best.status === 'pass' ? [[plain('No other grade passes.')]] : [];
  const more =
    next.best.costUsd === null || leader.best.costUsd === null ? null : next.best.costUsd - leader.best.costUsd;
  const price =
    more === null
      ? 'at a cost that is not known'
      : Math.abs(more) < 0.005
        ? 'for the same money'
        : `for ${Math.abs(more).toFixed(2)} USD ${more > 0 ? 'more' : 'less'}`;
  const same = next.best.governingCheckId === leader.best.governingCheckId;
  return [
    [
      plain(`Next by “${inSentence(rankingMethod.title)}” comes `),
      { text: nameOf(next.gradeId), to: { gradeId: next.gradeId } },
      plain(` ${price}, with a minimum reserve of `),
      {
        text: next.best.minimumReserve === null ? 'unknown size' : formatReserve(next.best.minimumReserve),
        to: { gradeId: next.gradeId, ...(next.best.governingCheckId ? { checkId: next.best.governingCheckId } : {}) },
      },
      plain(same ? ' in the same check.' : ` (${title(next.best.governingCheckId)}).`),
    ],
  ];
}

/** The other build orientations, where one of them does not pass: printing it so would be a mistake. */
function otherWaysUp(
  { part }: Brief,
  { gradeId }: RankedCandidate,
  { best, entries }: NonNullable<ChoiceInputs['first']>,
): Piece[][] {
  const wrong = entries.filter(
    (one) => one.orientation !== best.orientation && one.status === 'fail' && best.status === 'pass',
  );
  if (wrong.length === 0) return [];
  const pieces: Piece[] = [plain('Note the build orientation: ')];
  wrong.forEach((entry, i) => {
    const worst = worstOf(entry.checks);
    pieces.push(plain(`${i > 0 ? ' and ' : ''}built ${builtAs(part, entry.orientation)} it fails `));
    pieces.push({
      text:
        worst === undefined || worst.reserve === null
          ? title(worst?.checkId ?? null)
          : `${title(worst.checkId)} with ${formatReserve(worst.reserve)}`,
      to: { gradeId, built: entry.orientation, ...(worst ? { checkId: worst.checkId } : {}) },
    });
  });
  return [[...pieces, plain('.')]];
}

function worstOf(checks: readonly CheckResult[]): CheckResult | undefined {
  const failed = checks.filter(({ status }) => status === 'fail');
  return failed.sort((a, b) => (a.reserve ?? -1) - (b.reserve ?? -1))[0];
}

/** How many fell, and over what mostly. */
function rejections({ ranked }: ChoiceInputs): Piece[][] {
  const failing = ranked.filter(({ best }) => best.status === 'fail');
  const unknown = ranked.filter(({ best }) => best.status === 'unknown').length;
  const parts: string[] = [];
  if (failing.length > 0) {
    const byCheck = new Map<string, number>();
    for (const { best } of failing)
      if (best.governingCheckId) byCheck.set(best.governingCheckId, (byCheck.get(best.governingCheckId) ?? 0) + 1);
    const most = [...byCheck].sort((a, b) => b[1] - a[1]).slice(0, 2);
    const over = most.map(([checkId, count]) => `${count} over ${title(checkId)}`).join(', ');
    parts.push(`${failing.length} of ${ranked.length} grades fail${over ? `, ${over}` : ''}`);
  }
  if (unknown > 0) parts.push(`${unknown} unknown for lack of data`);
  return parts.length === 0 ? [] : [[plain(`${parts.join('; ')}.`)]];
}
