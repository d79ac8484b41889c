import type { ImportIssue } from '@anvilstone/schema';

/** Problems of single cells, kept whole; what is shown of them is cut elsewhere. */
export class Issues {
  readonly all: ImportIssue[] = [];
  errorCount = 0;

  error(place: Omit<ImportIssue, 'severity' | 'message'>, message: string): void {
    this.errorCount += 1;
    this.all.push({ ...place, severity: 'error', message });
  }
  remark(place: Omit<ImportIssue, 'severity' | 'message'>, message: string): void {
    this.all.push({ ...place, severity: 'remark', message });
  }
}
