import { parseArgs } from 'node:util';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { formatNumber as f, spellOut, type SpelledOut } from '@anvilstone/core/foundations';
import { CRITERION_WORDS, laminateReport, type LaminateReport } from '@anvilstone/core/shapes';
import { layup as layupSchema } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { readLibrary } from '../library.ts';
import { BadInput, EXIT, readJson, type Terminal } from '../terminal.ts';

const checkLayup = validator(layupSchema);

/** `anvilstone laminate --in F [--library F] [--json]`: stiffness, constants, ply stresses and failure loads of a layup. */
export async function laminateCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values } = parseArgs({
    args,
    options: { in: { type: 'string' }, library: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  if (values.in === undefined) throw new BadInput('--in is missing: name a layup (JSON)');
  const checked = checkLayup(await readJson(terminal, values.in));
  if (!checked.ok) throw new BadInput(`${values.in} is not a layup`, checked.issues);
  const library = values.library === undefined ? sampleLibrary : await readLibrary(terminal, values.library);
  const report = spellOut(laminateReport(checked.value, library));
  terminal.out(values.json ? JSON.stringify(report, null, 2) : inWords(report));
  return EXIT.ok;
}

/** The last bits of a sum that is nothing are nothing. */
const tidy = (value: number) => (Math.abs(value) < 1e-9 ? 0 : value);

function inWords(report: SpelledOut<LaminateReport>): string {
  const matrix = (name: string, rows: readonly (readonly number[])[], unit: string) => [
    `${name}, ${unit}`,
    ...rows.map((row) => `  ${row.map((value) => f(tidy(value), 5).padStart(14)).join('')}`),
  ];
  const { inPlane, bending } = report;
  return [
    `${report.name}: ${report.plies.length} plies, ${f(report.thicknessMm)} mm`,
    ...matrix('A', report.a, 'N/mm'),
    ...matrix('B', report.b, 'N'),
    ...matrix('D', report.d, 'N·mm'),
    `In plane: Ex ${f(inPlane.exMPa)} MPa, Ey ${f(inPlane.eyMPa)} MPa, Gxy ${f(inPlane.gxyMPa)} MPa, νxy ${f(inPlane.nuxy)}`,
    `In bending: Ex ${f(bending.exMPa)} MPa, Ey ${f(bending.eyMPa)} MPa`,
    ...(report.thermalBowMm
      ? [
          `A free strip of 100 mm bows by ${f(tidy(report.thermalBowMm.x))} mm along x and ${f(tidy(report.thermalBowMm.y))} mm along y`,
        ]
      : []),
    ...report.loads.flatMap(({ name, failures, disagreementPct }) => [
      `${name}:`,
      ...failures.map(
        ({ criterion, firstPly, lastPlyRatio }) =>
          `  ${CRITERION_WORDS[criterion]}: first ply (no. ${firstPly.ply + 1}, ${firstPly.mode}) at × ${f(firstPly.atRatio)}, last at × ${f(lastPlyRatio)}`,
      ),
      ...(disagreementPct > 0 ? [`  The criteria disagree by ${f(disagreementPct, 2)} %`] : []),
    ]),
    ...report.loops.map(({ name, bearsN, bendFactor, reserve, problems }) =>
      problems.length > 0
        ? `${name}: cannot be laid. ${problems.join('; ')}`
        : `${name}: bears ${f(bearsN)} N, its bends leave ${f(100 * bendFactor)} %${reserve === null ? '' : `, × ${f(reserve)} of the pull`}`,
    ),
    ...report.warnings.map((text) => `Note: ${text}`),
  ].join('\n');
}
