import type { Brief, ProblemIssue } from '@anvilstone/schema';

type Rules = (brief: Brief) => ProblemIssue[];
let rules: Rules | undefined;

/** What makes a brief contradict itself comes with the first part that is opened: the pages around it do without that much of the computation. */
export function setBriefRules(next: Rules): void {
  rules = next;
}

/** Of a brief that is open. */
export function openBriefIssues(brief: Brief): ProblemIssue[] {
  if (!rules) throw new Error('Open a brief first');
  return rules(brief);
}
