import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import { FileError } from '@anvilstone/core/foundations';
import { openIssues, planImport, readImportFile, type ImportOutcome } from '@anvilstone/core/evidence/exchange';
import { importSettings, type ImportSettings, type Library } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { readLibrary } from '../library.ts';
import { BadInput, EXIT, readJson, type Terminal } from '../terminal.ts';

const checkSettings = validator(importSettings);

/**
 * `anvilstone import --in F …`: a file laid over a library file, all of it or nothing. Mapping, answers and corrections come
 * in a settings file (docs/schemas/import-settings.schema.json); what is still open is listed as a problem document.
 */
export async function importCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values } = parseArgs({
    args,
    options: {
      in: { type: 'string' },
      library: { type: 'string' },
      settings: { type: 'string' },
      maker: { type: 'string' },
      out: { type: 'string' },
      'dry-run': { type: 'boolean', default: false },
    },
  });
  if (values.in === undefined) throw new BadInput('--in is missing: name the file to import');
  if (values.out === undefined && !values['dry-run'])
    throw new BadInput('--out is missing: name the library to write, or say --dry-run');
  const library: Library =
    values.library === undefined ? { grades: [], machines: [] } : await readLibrary(terminal, values.library);
  const settings = await readSettings(terminal, values.settings, values.maker);
  const outcome = await plan(terminal, values.in, settings, library);
  refuseOpen(outcome);
  const { newCount, changedCount, unchangedCount, grades } = outcome.plan;
  const summary = `${newCount} new, ${changedCount} changed, ${unchangedCount} unchanged`;
  if (values['dry-run']) {
    const lines = grades.flatMap(({ name, kind, differences }) =>
      kind === 'new'
        ? [`${name}: new`]
        : differences.map(
            ({ field, before, after }) => `${name}: ${field}: ${before ?? 'nothing'} → ${after ?? 'nothing'}`,
          ),
    );
    terminal.out([...lines, summary].join('\n'));
    return EXIT.ok;
  }
  const written = new Map(library.grades.map((grade) => [grade.id, grade]));
  for (const grade of outcome.writes) written.set(grade.id, grade);
  await terminal.writeFile(values.out!, `${JSON.stringify({ ...library, grades: [...written.values()] }, null, 1)}\n`);
  terminal.out(`${summary}; ${written.size} grades written to ${values.out}`);
  return EXIT.ok;
}

async function readSettings(
  terminal: Terminal,
  path: string | undefined,
  maker: string | undefined,
): Promise<ImportSettings> {
  const own = maker === undefined ? {} : { maker };
  if (path === undefined) return own;
  const checked = checkSettings(await readJson(terminal, path));
  if (!checked.ok) throw new BadInput(`${path} is not a settings file`, checked.issues);
  return { ...checked.value, ...own };
}

async function plan(
  terminal: Terminal,
  path: string,
  settings: ImportSettings,
  library: Library,
): Promise<ImportOutcome> {
  let bytes: Uint8Array;
  try {
    bytes = await terminal.readBytes(path);
  } catch (error) {
    throw new BadInput(`${path} cannot be read: ${(error as Error).message}`);
  }
  try {
    const source = await readImportFile(new Uint8Array(bytes), settings);
    return planImport(source, { fileName: basename(path), settings, library: library.grades });
  } catch (error) {
    if (error instanceof FileError) throw new BadInput(`${path}: ${error.message}`);
    throw error;
  }
}

function refuseOpen({ plan: { questions }, issues }: ImportOutcome): void {
  const open = openIssues(issues, questions);
  if (open.length > 0)
    throw new BadInput(`${open.length} things are not clear yet; nothing was written`, open.slice(0, 100));
}
