import { readFile, writeFile } from 'node:fs/promises';
import { InputError } from '@anvilstone/core/foundations';
import { backupCommand } from './commands/backup.ts';
import { basisCommand } from './commands/basis.ts';
import { calcCommand } from './commands/calc.ts';
import { compareCommand } from './commands/compare.ts';
import { evaluateCommand } from './commands/evaluate.ts';
import { exportCommand } from './commands/export.ts';
import { fitCreepCommand } from './commands/fitCreep.ts';
import { laminateCommand } from './commands/laminate.ts';
import { meshCommand } from './commands/mesh.ts';
import { importCommand } from './commands/import.ts';
import { restoreCommand } from './commands/restore.ts';
import { verifyCommand } from './commands/verify.ts';
import { BadInput, EXIT, type Terminal } from './terminal.ts';

const commands: Record<string, (args: string[], terminal: Terminal) => Promise<number>> = {
  evaluate: evaluateCommand,
  calc: calcCommand,
  import: importCommand,
  export: exportCommand,
  laminate: laminateCommand,
  mesh: meshCommand,
  basis: basisCommand,
  compare: compareCommand,
  'fit-creep': fitCreepCommand,
  verify: verifyCommand,
  backup: backupCommand,
  restore: restoreCommand,
};

const USAGE = `anvilstone evaluate --brief F [--library F] [--orientation XY|XZ|ZX|best] [--chance [--seed N] [--draws N]] [--json]
anvilstone calc list [--json]
anvilstone calc run <id> --in F [--json]
anvilstone import --in F [--library F] [--settings F] [--maker NAME] (--out F | --dry-run)
anvilstone export --format csv|xlsx|json|matml|data-package --out F [--library F]
anvilstone export --format fea-card --grade ID --out F [--library F] [--temperature C] [--conditioning dry|conditioned|wet]
anvilstone laminate --in F [--library F] [--json]
anvilstone mesh F [--plane x=…|y=…|z=…] [--json]
anvilstone basis F [--column NAME] [--json]
anvilstone compare A B [--paired] [--column NAME] [--json]
anvilstone fit-creep F [--at HOURS,…] [--json]
anvilstone verify F [--json]
anvilstone backup --out F [--server URL] [--without-key]
anvilstone restore F (--replace | --merge) [--server URL]
    Where the app has accounts, both take a token made under People: ANVILSTONE_TOKEN=…

Exit codes: 0 done · 1 bad input (a problem document on standard error) · 2 internal error`;

const realTerminal: Terminal = {
  readFile: (path) => readFile(path, 'utf8'),
  readBytes: (path) => readFile(path),
  writeFile: (path, contents) => writeFile(path, contents),
  out: (text) => process.stdout.write(`${text}\n`),
  error: (text) => process.stderr.write(`${text}\n`),
};

/** Runs one command line and returns its exit code; never throws. */
export async function main(argv: string[], terminal: Terminal = realTerminal): Promise<number> {
  const [name = '', ...args] = argv;
  if (name === '' || name === 'help' || name === '--help') {
    terminal.out(USAGE);
    return EXIT.ok;
  }
  try {
    const command = commands[name];
    if (!command) throw new BadInput(`There is no command “${name}”; “anvilstone help” lists them`);
    return await command(args, terminal);
  } catch (error) {
    const problem = asBadInput(error);
    if (problem) {
      terminal.error(JSON.stringify(problem.toProblem(), null, 2));
      return EXIT.badInput;
    }
    terminal.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return EXIT.internal;
  }
}

function asBadInput(error: unknown): BadInput | undefined {
  if (error instanceof BadInput) return error;
  if (error instanceof InputError) return new BadInput(error.message);
  const code = (error as { code?: unknown } | null)?.code;
  // What node:util parseArgs throws for unknown options and missing values.
  if (typeof code === 'string' && code.startsWith('ERR_PARSE_ARGS')) return new BadInput((error as Error).message);
  return undefined;
}
