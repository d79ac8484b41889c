import { findCheck } from '@anvilstone/core/checks';
import { inSentence, formatReserve } from '@anvilstone/core/foundations';
import { builtAs } from '@anvilstone/core/shapes';
import type { Brief, FieldChange, SettledStage, StageMark } from '@anvilstone/schema';
import { gradeChanges, ruleFieldChanges } from './differences.ts';
import { documentChanges } from './documentChanges.ts';

/** Parts of a brief that say nothing to any stage: names and prose. */
const PROSE: readonly (keyof Brief)[] = ['title', 'purpose', 'lessons', 'template'];
/** What a stage reads beside the brief. */
const READS: Record<SettledStage, { rules: boolean; leader: boolean; machine: boolean }> = {
  shortlist: { rules: true, leader: true, machine: false },
  compare: { rules: true, leader: true, machine: false },
  build: { rules: true, leader: true, machine: true },
  plan: { rules: false, leader: true, machine: true },
  bench: { rules: true, leader: true, machine: false },
};
const SAME_RESERVE = 0.005;

/**
 * What a settled stage rested on and is no longer so: fields of the brief, rules, the answer, and what is known of the grade that led and of its
 * machine. Empty: it is up to date.
 */
export function stageChanges(mark: StageMark, now: Omit<StageMark, 'at' | 'stage'>): FieldChange[] {
  const reads = READS[mark.stage];
  return [
    ...documentChanges('Brief', withoutProse(mark.brief), withoutProse(now.brief)),
    ...(reads.rules ? ruleFieldChanges(mark.rules, now.rules) : []),
    ...(reads.leader ? answerChanges(mark, now) : []),
    ...(reads.machine && mark.machine && now.machine && mark.machine.id === now.machine.id
      ? documentChanges(`Machine ${now.machine.name}`, mark.machine, now.machine)
      : []),
  ];
}

function withoutProse(brief: Brief): Partial<Brief> {
  return Object.fromEntries(Object.entries(brief).filter(([key]) => !PROSE.includes(key as keyof Brief)));
}

function answerChanges(mark: StageMark, now: Omit<StageMark, 'at' | 'stage'>): FieldChange[] {
  const [was, is] = [mark.leader, now.leader];
  const row = (field: string, before: string | null, after: string | null): FieldChange[] =>
    before === after ? [] : [{ area: 'Result', field, before, after }];
  const shown = ({ leader, brief }: Pick<StageMark, 'leader' | 'brief'>) =>
    leader ? `${leader.grade.name}, ${builtAs(brief.part, leader.orientation)}` : null;
  const moved = was && is && Math.abs((was.reserve ?? -1) - (is.reserve ?? -1)) > SAME_RESERVE;
  const reserve = (one: NonNullable<StageMark['leader']>) =>
    `${one.reserve === null ? 'unknown' : formatReserve(one.reserve)}${one.governingCheckId ? ` (${inSentence(findCheck(one.governingCheckId)?.title)})` : ''}`;
  return [
    ...row('Leading grade', shown(mark), shown(now)),
    ...(moved && was.grade.id === is.grade.id ? row('Minimum reserve', reserve(was), reserve(is)) : []),
    ...row('Grades that pass', String(mark.pass), String(now.pass)),
    ...(was && is && was.grade.id === is.grade.id ? gradeChanges(was.grade, is.grade) : []),
  ];
}
