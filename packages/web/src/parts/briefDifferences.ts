export interface BriefDifference {
  pointer: string;
  theirs: string;
  mine: string;
}

/** Fields in which two documents differ, by JSON pointer. */
export function briefDifferences(theirs: unknown, mine: unknown, at = ''): BriefDifference[] {
  if (Object.is(theirs, mine)) return [];
  if (isRecord(theirs) && isRecord(mine)) {
    const keys = [...new Set([...Object.keys(theirs), ...Object.keys(mine)])];
    return keys.flatMap((key) => briefDifferences(theirs[key], mine[key], `${at}/${key}`));
  }
  return [{ pointer: at, theirs: show(theirs), mine: show(mine) }];
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

function show(value: unknown): string {
  if (value === undefined) return '—';
  return typeof value === 'string' ? value : JSON.stringify(value);
}
