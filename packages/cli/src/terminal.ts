import type { Problem, ProblemIssue } from '@anvilstone/schema';

/** What a command may touch, so that tests can hand it something else. */
export interface Terminal {
  readFile(path: string): Promise<string>;
  readBytes(path: string): Promise<Uint8Array<ArrayBuffer>>;
  writeFile(path: string, contents: string | Uint8Array): Promise<void>;
  out(text: string): void;
  error(text: string): void;
}

export const EXIT = { ok: 0, badInput: 1, internal: 2 } as const;

/** Anything the user can corrected; shown as a problem document (RFC 9457) on standard error, exit code 1. */
export class BadInput extends Error {
  readonly issues: readonly ProblemIssue[];
  constructor(message: string, issues: readonly ProblemIssue[] = []) {
    super(message);
    this.name = 'BadInput';
    this.issues = issues;
  }
  toProblem(): Problem {
    return {
      type: '/problems/invalid-input',
      title: 'The input cannot be used',
      status: 422,
      detail: this.message,
      ...(this.issues.length > 0 ? { errors: [...this.issues] } : {}),
    };
  }
}

export async function readText(terminal: Terminal, path: string): Promise<string> {
  try {
    return await terminal.readFile(path);
  } catch (error) {
    throw new BadInput(`${path} cannot be read: ${(error as Error).message}`);
  }
}

export async function readJson(terminal: Terminal, path: string): Promise<unknown> {
  const text = await readText(terminal, path);
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new BadInput(`${path} is not JSON: ${(error as Error).message}`);
  }
}
