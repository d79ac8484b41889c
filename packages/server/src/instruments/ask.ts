import { connect } from 'node:net';
import { createInterface } from 'node:readline';
import { readLine, writeLine, type Line } from './lineProtocol.ts';

export interface Address {
  host: string;
  port: number;
}

/** It did not answer, or not to the end; `lines` are those that came whole, `damaged` how many came otherwise. */
export class InstrumentSilent extends Error {
  readonly lines: readonly Line[];
  readonly damaged: number;
  constructor(message: string, { lines, damaged }: Answer = { lines: [], damaged: 0 }) {
    super(message);
    this.name = 'InstrumentSilent';
    this.lines = lines;
    this.damaged = damaged;
  }
}

export interface Answer {
  lines: readonly Line[];
  /** Lines that were damaged or none of the protocol. */
  damaged: number;
}

/** An instrument that talks without end is none. */
const MOST_LINES = 20_000;
const LONGEST_LINE = 4000;

/**
 * Asks one question and gathers its answer, up to the line whose word is `last`.
 * @throws InstrumentSilent nothing listens, it hangs up before the end, or it says nothing for `quietMs`
 */
export function ask(
  { host, port }: Address,
  question: readonly [word: string, fields?: Readonly<Record<string, string | number>>],
  last: string,
  quietMs = 5000,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const lines: Line[] = [];
    let damaged = 0;
    const socket = connect({ host, port });
    const reader = createInterface({ input: socket, crlfDelay: Infinity });
    // It passes the socket’s errors on, which are heard below.
    reader.on('error', () => {});
    const silent = (why: string) => end(new InstrumentSilent(why, { lines, damaged }));
    const end = (error?: Error) => {
      reader.close();
      socket.destroy();
      if (error) reject(error);
      else resolve({ lines, damaged });
    };
    socket.setTimeout(quietMs, () => silent(`it said nothing for ${quietMs / 1000} s`));
    socket.once('connect', () => socket.write(`${writeLine(...question)}\n`));
    socket.once('error', (error: NodeJS.ErrnoException) =>
      silent(error.code === 'ECONNREFUSED' ? 'nothing listens there' : 'the line broke'),
    );
    socket.once('close', () => silent('it hung up before it had finished'));
    reader.on('line', (text) => {
      const line = text.length > LONGEST_LINE ? undefined : readLine(text);
      if (!line) damaged += 1;
      else lines.push(line);
      if (line?.word === last) end();
      else if (lines.length + damaged > MOST_LINES) silent('it does not stop talking');
    });
  });
}
