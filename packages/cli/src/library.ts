import { library as librarySchema, type Library } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { BadInput, readJson, type Terminal } from './terminal.ts';

const checkLibrary = validator(librarySchema);

/** A library file. @throws BadInput it cannot be read or is none */
export async function readLibrary(terminal: Terminal, path: string): Promise<Library> {
  const checked = checkLibrary(await readJson(terminal, path));
  if (!checked.ok) throw new BadInput(`${path} is not a library`, checked.issues);
  return checked.value;
}
