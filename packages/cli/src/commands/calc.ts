import { parseArgs } from 'node:util';
import { calculators, findCalculator } from '@anvilstone/core/education';
import { InputError } from '@anvilstone/core/foundations';
import { validator } from '@anvilstone/schema/validate';
import { BadInput, EXIT, readJson, type Terminal } from '../terminal.ts';

/** `anvilstone calc list [--json]`, `calc example <id>` and `calc run <id> --in F [--json]`: every formula by itself. */
export async function calcCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { in: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  const [verb, id] = positionals;
  if (verb === 'list') return list(terminal, values.json);
  if (verb !== 'run' && verb !== 'example')
    throw new BadInput('calc needs “list”, “example <id>” or “run <id> --in F”');
  const calculator = id === undefined ? undefined : findCalculator(id);
  if (!calculator) throw new BadInput(`No calculator “${id ?? ''}”; “calc list” names them all`);
  if (verb === 'example') {
    terminal.out(JSON.stringify(calculator.example, null, 2));
    return EXIT.ok;
  }
  if (values.in === undefined)
    throw new BadInput(`--in is missing: name a JSON file with the input; “calc example ${calculator.id}” writes one`);
  const checked = validator(calculator.input)(await readJson(terminal, values.in));
  if (!checked.ok) throw new BadInput(`${values.in} does not fit ${calculator.id}`, checked.issues);
  terminal.out(JSON.stringify(run(calculator, checked.value), null, values.json ? undefined : 2));
  return EXIT.ok;
}

function run(calculator: (typeof calculators)[number], input: unknown): unknown {
  try {
    return calculator.run(input);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new BadInput(error.message, [
      { pointer: `/${error.field}`, detail: error.message, accepted: error.accepted },
    ]);
  }
}

function list(terminal: Terminal, json: boolean): number {
  const rows = calculators.map(({ run: _run, ...described }) => described);
  terminal.out(
    json ? JSON.stringify(rows, null, 2) : rows.map((row) => `${row.id.padEnd(26)} ${row.title}`).join('\n'),
  );
  return EXIT.ok;
}
