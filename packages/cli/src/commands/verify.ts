import { parseArgs } from 'node:util';
import { checkDecisionFile } from '@anvilstone/core/decisions';
import { BadInput, EXIT, readJson, type Terminal } from '../terminal.ts';

const VERDICT = {
  intact: 'Intact',
  tampered: 'TAMPERED WITH',
  differs: 'Sealed and unchanged, but recomputed with a different result',
  unreadable: 'No decision record',
} as const;

/** `anvilstone verify F [--json]`: whether a decision record is as it was sealed, and computes to the same numbers. */
export async function verifyCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { json: { type: 'boolean', default: false } },
  });
  const [path, ...rest] = positionals;
  if (path === undefined || rest.length > 0) throw new BadInput('name one exported decision record (JSON)');
  const check = checkDecisionFile(await readJson(terminal, path));
  const { verdict, findings, differences, fingerprint } = check;
  if (values.json) terminal.out(JSON.stringify({ verdict, fingerprint, findings, differences }, null, 2));
  else
    terminal.out(
      [
        VERDICT[verdict],
        ...findings,
        ...differences,
        ...(fingerprint === null ? [] : [`Key ${fingerprint}: ask the sender to confirm it.`]),
      ].join('\n'),
    );
  return verdict === 'intact' ? EXIT.ok : EXIT.badInput;
}
