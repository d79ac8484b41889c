/** Files as they come from anywhere: damaged, cut short, of another kind, made to do harm. A reader reads them or says why not. */
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { readMesh } from '../../shapes/mesh/index.ts';
import { binary, box } from '../../shapes/mesh/testContext.ts';
import { readPriceList } from '../../making/prices/index.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { LIMITS } from '../../foundations/input/limits.ts';
import { planImport } from './planning/planImport.ts';
import { readImportFile } from './readers/index.ts';
import { swellingArchive } from './testArchive.ts';
import { libraryWriters } from './writers/index.ts';

/** `npm run fuzz` asks for some ten thousand files; with every test run some of each will do. */
const RUNS = Math.max(25, 20 * Number(process.env.ANVILSTONE_FUZZ_RUNS ?? 0));
/** Other files each time only when asked for many: what every test run tries is always the same. */
const SEED = process.env.ANVILSTONE_FUZZ_RUNS ? {} : { seed: 20_261_127 };
jest.setTimeout(60_000 + RUNS * 1000);

const few = sampleLibrary.grades.slice(0, 3);
const whole = async (): Promise<Map<string, Uint8Array>> =>
  new Map(
    await Promise.all(
      libraryWriters.map(async ({ id, write }) => {
        const file = await write(few);
        return [id, typeof file === 'string' ? strToU8(file) : file] as const;
      }),
    ),
  );

const HARM = [
  '<!DOCTYPE a [<!ENTITY b "bbbbbbbbbb"><!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;">]><a>&c;&c;&c;&c;</a>',
  '<!DOCTYPE a [<!ENTITY b SYSTEM "file:///etc/passwd">]><a>&b;</a>',
  '{"__proto__":{"polluted":1},"grades":[{"__proto__":{"polluted":1}}]}',
  '=HYPERLINK("http://elsewhere.example","x"),=1+1\n',
  '\ufeff\u0000\u0000',
  '['.repeat(20_000),
  '<a>'.repeat(20_000),
];

/** A sound file with some bytes changed, cut off, doubled, or harm written into it; or nothing of the kind at all. */
const damaged = (file: Uint8Array) =>
  fc.oneof(
    fc.uint8Array({ maxLength: 400 }),
    fc.constantFrom(...HARM).map((one) => strToU8(one)),
    fc.nat(file.length).map((end) => file.slice(0, end)),
    fc
      .array(fc.tuple(fc.nat(Math.max(0, file.length - 1)), fc.nat(255)), { minLength: 1, maxLength: 12 })
      .map((changes) => {
        const copy = Uint8Array.from(file);
        for (const [at, byte] of changes) copy[at] = byte;
        return copy;
      }),
    fc.tuple(fc.nat(file.length), fc.constantFrom(...HARM)).map(([at, harm]) => {
      const bytes = strToU8(harm);
      const made = new Uint8Array(file.length + bytes.length);
      made.set(file.slice(0, at));
      made.set(bytes, at);
      made.set(file.slice(at), at + bytes.length);
      return made;
    }),
  );
/** Errors that say what is wrong with the file, and not that the reader stumbled. */
const SAID = new Set(['FileError', 'MeshError', 'InputError']);
const refusedOrRead = async (read: () => unknown) => {
  try {
    await read();
  } catch (error) {
    if (!SAID.has((error as Error).name)) throw error;
  }
};

test.each(libraryWriters.map(({ id }) => id))('%s: a damaged file is read or refused in words', async (id) => {
  const file = (await whole()).get(id)!;
  await fc.assert(
    fc.asyncProperty(damaged(file), (bytes) =>
      refusedOrRead(async () => {
        const source = await readImportFile(bytes, {});
        planImport(source, { fileName: 'a file', settings: {}, library: sampleLibrary.grades });
      }),
    ),
    { numRuns: RUNS, ...SEED },
  );
  expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
});

test('meshes and price lists likewise', async () => {
  const mesh = binary(box(0, 0, 0, 10, 10, 10));
  const threeMf = zipSync({ '3D/3dmodel.model': strToU8('<model unit="millimeter"><resources/><build/></model>') });
  const prices = strToU8('grade;price per kg\nNine Elms PETG Trade;24.5\n');
  await fc.assert(
    fc.asyncProperty(fc.oneof(damaged(mesh), damaged(threeMf)), (bytes) =>
      refusedOrRead(() => readMesh(bytes, 'a file')),
    ),
    { numRuns: RUNS, ...SEED },
  );
  await fc.assert(
    fc.asyncProperty(damaged(prices), (bytes) =>
      refusedOrRead(() => readPriceList(new TextDecoder().decode(bytes), [])),
    ),
    { numRuns: RUNS, ...SEED },
  );
});

const BOMB_BYTES = 1.2 * LIMITS.unpackedBytes;

test('a package that unpacks to far more than it is', async () => {
  const bomb = swellingArchive('datapackage.json', BOMB_BYTES);
  expect(bomb.length).toBeLessThan(BOMB_BYTES / 100);
  await expect(readImportFile(bomb, {})).rejects.toThrow('unpacks to more than 200 MB');
});
