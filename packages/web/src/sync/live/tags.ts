import type { LiveEvent } from '@anvilstone/schema';

/** What has to be read anew when a record of a kind was changed elsewhere. */
const TAGS = {
  parts: ['Part'],
  decisions: ['Decision', 'Part'],
  decision_sign_offs: ['Decision'],
  received_records: ['Received'],
  grades: ['Library', 'Grade'],
  agents: ['Chemical', 'Library'],
  machines: ['Machine', 'Library'],
  house_rules: ['CompanyRules', 'Library'],
  spools: ['Stock'],
  places: ['Stock'],
  dryers: ['Stock'],
  dryer_schedule: ['Stock'],
  campaigns: ['Campaign'],
  trials: ['Trial', 'Campaign'],
  attachments: ['Attachment'],
  installations: ['Service'],
  service_findings: ['Service'],
  finding_photos: ['Service'],
  part_notices: ['Notice'],
  saved_views: ['View'],
  stage_marks: ['StageMark'],
  jobs: ['Job', 'Backup'],
} as const;
export type LiveTag = (typeof TAGS)[keyof typeof TAGS][number] | 'Change';

export const ALL_TAGS: readonly LiveTag[] = [...new Set<LiveTag>(Object.values(TAGS).flat())];

/** Of what other pages have changed; this page knows of its own. */
export function tagsOf(events: readonly LiveEvent[], ownTab: string): LiveTag[] {
  const others = events.filter(({ tab, kind }) => tab !== ownTab && kind !== 'presence');
  if (others.some(({ kind }) => kind === '*')) return [...ALL_TAGS];
  const found = others.flatMap(({ kind }) => TAGS[kind as keyof typeof TAGS] ?? []);
  return [...new Set<LiveTag>(found)];
}
