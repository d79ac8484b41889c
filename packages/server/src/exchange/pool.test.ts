import { sampleLibrary } from '@anvilstone/core/education/sample';
import { closeThreads, exportInThread, labelsInThread, planInThread } from './pool.ts';

// Threads start in seconds where all cores are busy.
jest.setTimeout(120_000);
afterAll(closeThreads);

const settings = { format: 'csv' as const };
const sheet = (rows: number) =>
  new TextEncoder().encode(
    ['Name,Density [g/cm3]', ...Array.from({ length: rows }, (_, i) => `Grade ${i},1.${10 + (i % 80)}`)].join('\n'),
  );
const read = (rows: number, mostMs?: number) =>
  planInThread(
    { file: sheet(rows), fileName: 'many.csv', settings: settings as never, library: [] },
    () => undefined,
    new AbortController().signal,
    mostMs,
  );

test('a file that takes too long to read is told so, and the next one is read', async () => {
  await expect(read(20_000, 1)).rejects.toThrow('It takes longer than 0.001 s to read. Split the file.');
  expect((await read(3)).plan).toBeDefined();
});

test('whoever stops it is not told that it took too long', async () => {
  const stopped = new AbortController();
  const reading = planInThread(
    { file: sheet(20_000), fileName: 'many.csv', settings: settings as never, library: [] },
    () => undefined,
    stopped.signal,
  );
  stopped.abort();
  await expect(reading).rejects.toThrow(/abort/i);
});

test('an export does not wait for everybody’s files to be read', async () => {
  const ended: string[] = [];
  const reading = read(45_000).then(() => ended.push('read'));
  const written = exportInThread({ format: 'json', grades: sampleLibrary.grades.slice(0, 2) }).then(() =>
    ended.push('written'),
  );
  await Promise.all([reading, written]);
  expect(ended).toEqual(['written', 'read']);
});

test('while a thousand labels are set the server goes on', async () => {
  let ticks = 0;
  const timer = setInterval(() => (ticks += 1), 10);
  const cells = Array.from({ length: 1000 }, (_, i) => ({
    columns: [
      { qr: `http://127.0.0.1/spools/S-${i}`, fit: 62 },
      { text: `S-${i}`, fontSize: 16 },
    ],
  }));
  const pdf = await labelsInThread('Spool labels', cells);
  clearInterval(timer);
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  // It takes seconds: done in this thread, the timer would come once or twice.
  expect(ticks).toBeGreaterThan(20);
});
