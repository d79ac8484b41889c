import type { ImportIssue } from '@anvilstone/schema';

type Place = Omit<ImportIssue, 'severity' | 'message'>;

/** Problems of single cells, kept whole; what is shown of them is cut elsewhere. */
export class Issues {
  readonly all: ImportIssue[] = [];
  errorCount = 0;

  error(place: Place, message: string): void {
    this.errorCount += 1;
    this.add(place, 'error', message);
  }
  remark(place: Place, message: string): void {
    this.add(place, 'remark', message);
  }
  /** Callers hand over whatever knows its place; only the place is kept. */
  private add({ line, column, header, text }: Place, severity: ImportIssue['severity'], message: string): void {
    this.all.push({ line, column, header, text, severity, message });
  }
}
