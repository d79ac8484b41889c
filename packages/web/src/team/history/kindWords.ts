/** Kinds of record, as their change log names them, in words. */
export const KIND_WORDS: Record<string, string> = {
  parts: 'Part',
  decisions: 'Decision',
  decision_sign_offs: 'Sign-off',
  received_records: 'Received record',
  agents: 'Chemical',
  machines: 'Machine',
  spools: 'Spool',
  places: 'Storage location',
  dryers: 'Dryer',
  dryer_schedule: 'Drying plan',
  campaigns: 'Campaign',
  trials: 'Trial',
  attachments: 'Attachment',
  installations: 'Part in service',
  service_findings: 'Finding',
  finding_photos: 'Photo of a finding',
  part_notices: 'Notice on a part',
  house_rules: 'Company rules',
  saved_views: 'Saved view',
  stage_marks: 'Reviewed stage',
};

/** Where the record can be looked at; undefined: nowhere by itself. */
export function addressOf(kind: string, record: string): string | undefined {
  switch (kind) {
    case 'parts':
      return `/parts/${record}`;
    case 'stage_marks':
    case 'saved_views':
      return `/parts/${record.split('/')[0]}`;
    case 'machines':
      return `/machines/${record}/edit`;
    case 'agents':
      return `/chemicals/${record}`;
    case 'spools':
      return `/spools/${record}`;
    case 'campaigns':
      return `/bench/${record}`;
    case 'house_rules':
      return '/company-rules';
    default:
      return undefined;
  }
}
