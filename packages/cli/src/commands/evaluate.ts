import { parseArgs } from 'node:util';
import { findCheck } from '@anvilstone/core/checks';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { briefIssues, evaluate, choose, withChances } from '@anvilstone/core/evaluation';
import { formatReserve } from '@anvilstone/core/foundations';
import { cautionsFor } from '@anvilstone/core/machines';
import { defaultCompanyRules, findAgent } from '@anvilstone/core/materials';
import {
  brief as briefSchema,
  decision as decisionSchema,
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type ChanceOfAll,
  type EvaluationResult,
  type CompanyRules,
  type Library,
} from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { readLibrary } from '../library.ts';
import { BadInput, EXIT, readJson, type Terminal } from '../terminal.ts';

const checkBrief = validator(briefSchema);
const checkDecision = validator(decisionSchema);

interface Job {
  brief: Brief;
  library: Library;
  rules: CompanyRules;
}

/** `anvilstone evaluate --brief F [--library F] [--orientation XY|XZ|ZX|best] [--chance [--seed N] [--draws N]] [--json]`: no server, no database. */
export async function evaluateCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values } = parseArgs({
    args,
    options: {
      brief: { type: 'string' },
      library: { type: 'string' },
      orientation: { type: 'string', default: 'best' },
      json: { type: 'boolean', default: false },
      chance: { type: 'boolean', default: false },
      seed: { type: 'string' },
      draws: { type: 'string' },
    },
  });
  if (values.brief === undefined) throw new BadInput('--brief is missing: name a brief or an exported decision (JSON)');
  const job = await readJob(terminal, values.brief, values.library);
  const orientations = readOrientation(values.orientation);
  const evaluated = evaluate(job.brief, job.library, { rules: job.rules, ...(orientations ? { orientations } : {}) });
  const asked = {
    ...whole('--seed', values.seed, 0, 2 ** 32 - 1, 'seed'),
    ...whole('--draws', values.draws, 100, 100_000, 'draws'),
  };
  const result = values.chance ? withChances(job.brief, job.library, evaluated, asked, job.rules) : evaluated;
  terminal.out(values.json ? JSON.stringify(result, null, 2) : table(result, job));
  return EXIT.ok;
}

/** A whole number of an option under its name; nothing when it is not given. */
function whole<K extends string>(
  option: string,
  text: string | undefined,
  least: number,
  most: number,
  name: K,
): { [key in K]?: number } {
  if (text === undefined) return {};
  const value = Number(text);
  if (!Number.isInteger(value) || value < least || value > most)
    throw new BadInput(`${option} ${text} is none: a whole number from ${least} to ${most}`);
  return { [name]: value } as { [key in K]?: number };
}

function readOrientation(text: string): BuildOrientation[] | undefined {
  if (text === 'best') return undefined;
  const orientation = ORIENTATIONS.find((one) => one === text);
  if (!orientation) throw new BadInput(`--orientation ${text} is none: use ${ORIENTATIONS.join(', ')} or best`);
  return [orientation];
}

/** A decision brings its own library and rules; a brief uses the given library, or the sample one. */
async function readJob(terminal: Terminal, path: string, libraryPath: string | undefined): Promise<Job> {
  const document = await readJson(terminal, path);
  const given = libraryPath === undefined ? undefined : await readLibrary(terminal, libraryPath);
  if (typeof document === 'object' && document !== null && 'format' in document) {
    // As it was exported it is sealed, with its signatures beside it.
    const checked = checkDecision('decision' in document ? document.decision : document);
    if (!checked.ok) throw new BadInput(`${path} is not a decision this version reads`, checked.issues);
    const { brief, grades, machines, agents = [], rules } = checked.value;
    return { brief: sound(brief), library: given ?? { grades, machines, agents }, rules };
  }
  const checked = checkBrief(document);
  if (!checked.ok) throw new BadInput(`${path} is not a brief`, checked.issues);
  return { brief: sound(checked.value), library: given ?? sampleLibrary, rules: defaultCompanyRules };
}

function sound(brief: Brief): Brief {
  const issues = briefIssues(brief);
  if (issues.length > 0) throw new BadInput('The brief contradicts itself', issues);
  return brief;
}

function chanceText(chance: ChanceOfAll | null): string {
  return (chance === null ? 'unknown' : `${(100 * chance.all).toFixed(1)} %`).padStart(9);
}

function table(result: EvaluationResult, { brief, library, rules }: Job): string {
  const names = new Map(library.grades.map((grade) => [grade.id, grade.name]));
  const lines = choose({ brief, library, rules }, result.grades).map(({ gradeId, best }) => {
    const governing =
      best.governingCheckId === null ? '' : (findCheck(best.governingCheckId)?.title ?? best.governingCheckId);
    const reserve =
      best.minimumReserve === null ? (best.status === 'fail' ? '' : 'unknown') : formatReserve(best.minimumReserve);
    const cost = best.costUsd === null ? 'unknown' : `${best.costUsd.toFixed(2)} USD`;
    return [
      best.status.padEnd(8),
      (names.get(gradeId) ?? gradeId).padEnd(34),
      best.orientation,
      reserve.padStart(8),
      cost.padStart(12),
      ...(best.chance === undefined ? [] : [chanceText(best.chance)]),
      ` ${governing}`,
    ].join(' ');
  });
  const own = library.agents ?? [];
  const agent = (id: string) => own.find((one) => one.id === id) ?? findAgent(id);
  const cautions = cautionsFor('shortlist', { brief, agent }).map(({ text }) => `Caution: ${text}`);
  return [`${brief.title}: lowest cost first (engine ${result.engineVersion})`, ...cautions, ...lines].join('\n');
}
