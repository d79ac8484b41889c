import { parseArgs } from 'node:util';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { findWriter, libraryWriters, writeFeaCard } from '@anvilstone/core/evidence/exchange';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { CONDITIONINGS, type Library } from '@anvilstone/schema';
import { readLibrary } from '../library.ts';
import { BadInput, EXIT, type Terminal } from '../terminal.ts';

interface Options {
  grade?: string | undefined;
  temperature: string;
  conditioning: string;
}

/** `anvilstone export --format … --out F`: a library in another format, or one grade as a material card. No server. */
export async function exportCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values } = parseArgs({
    args,
    options: {
      format: { type: 'string' },
      out: { type: 'string' },
      library: { type: 'string' },
      grade: { type: 'string' },
      temperature: { type: 'string', default: '23' },
      conditioning: { type: 'string', default: 'dry' },
    },
  });
  if (values.out === undefined) throw new BadInput('--out is missing: name the file to write');
  const library = values.library === undefined ? sampleLibrary : await readLibrary(terminal, values.library);
  const contents = values.format === 'fea-card' ? card(library, values) : await wholeLibrary(library, values.format);
  await terminal.writeFile(values.out, contents);
  return EXIT.ok;
}

async function wholeLibrary({ grades }: Library, format = ''): Promise<string | Uint8Array> {
  const writer = findWriter(format);
  if (!writer) {
    throw new BadInput(
      `--format ${format || '(none)'} is none here: use ${libraryWriters.map(({ id }) => id).join(', ')} or fea-card`,
    );
  }
  return writer.write(grades);
}

function card(library: Library, { grade: id, temperature, conditioning: state }: Options): string {
  if (id === undefined) throw new BadInput('--grade is missing: a card is for one grade');
  const grade = library.grades.find((one) => one.id === id);
  if (!grade) throw new BadInput(`There is no grade “${id}” in the library`);
  const temperatureC = Number(temperature);
  if (!Number.isFinite(temperatureC) || temperatureC < -80 || temperatureC > 400) {
    throw new BadInput(`--temperature ${temperature} cannot be used: a number from −80 to 400, in °C`);
  }
  const conditioning = CONDITIONINGS.find((one) => one === state);
  if (!conditioning) throw new BadInput(`--conditioning ${state} is none: use ${CONDITIONINGS.join(', ')}`);
  return writeFeaCard(grade, { temperatureC, conditioning, rules: defaultCompanyRules });
}
