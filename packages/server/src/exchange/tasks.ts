import { gzipSync } from 'node:zlib';
import { FileError } from '@anvilstone/core/foundations';
import { findWriter, planImport, readImportFile } from '@anvilstone/core/evidence/exchange';
import type { Grade, ImportIssue, ImportPlan, ImportSettings } from '@anvilstone/schema';
import type { Content } from 'pdfmake/interfaces.js';
import type { MessagePort } from 'node:worker_threads';

export interface PlanTask {
  kind: 'plan';
  file: Uint8Array;
  fileName: string;
  settings: ImportSettings;
  library: Grade[];
  progress?: MessagePort;
}
export interface PlanResult {
  plan: ImportPlan;
  /** Documents to write, a JSON array; empty while something is open. */
  writes: string;
  /** Rows with their problems, as gzipped JSON: kept beside the plan for looking things up in their place. */
  rows: Uint8Array;
}
/** An error's class does not survive the way between threads, so a refusal travels as an answer. */
export interface Refusal {
  refusal: string;
}
export interface StoredRow {
  line: number;
  cells: string[];
  issues: ImportIssue[];
  leftOut: boolean;
}

export interface ExportTask {
  kind: 'export';
  format: string;
  grades: Grade[];
}

export interface LabelsTask {
  kind: 'labels';
  title: string;
  cells: readonly Content[];
}

/** What runs beside the server's own thread: reading, judging and writing whole files. */
export async function runTask(task: PlanTask | ExportTask | LabelsTask): Promise<PlanResult | Refusal | Uint8Array> {
  if (task.kind === 'plan') {
    try {
      return await plan(task);
    } catch (error) {
      if (error instanceof FileError) return { refusal: error.message };
      throw error;
    }
  }
  if (task.kind === 'labels') {
    // Only who prints labels waits for what sets them.
    const { labelGrid } = await import('../pdf/labelGrid.ts');
    return labelGrid(task.title, task.cells);
  }
  const written = await findWriter(task.format)!.write(task.grades);
  return typeof written === 'string' ? new TextEncoder().encode(written) : written;
}

async function plan(task: PlanTask): Promise<PlanResult> {
  const { file, fileName, settings, library, progress } = task;
  const source = await readImportFile(file, settings);
  progress?.postMessage(0.15);
  const outcome = planImport(source, {
    fileName,
    settings,
    library,
    onProgress: (share) => progress?.postMessage(0.15 + 0.85 * share),
  });
  const byLine = new Map<number, ImportIssue[]>();
  for (const issue of outcome.issues) byLine.set(issue.line, [...(byLine.get(issue.line) ?? []), issue]);
  const leftOut = new Set(settings.leftOut ?? []);
  const rows: StoredRow[] = outcome.rows.map(({ line, cells }) => ({
    line,
    cells,
    issues: byLine.get(line) ?? [],
    leftOut: leftOut.has(line),
  }));
  return {
    plan: outcome.plan,
    writes: JSON.stringify(outcome.writes),
    rows: gzipSync(JSON.stringify(rows), { level: 1 }),
  };
}
