import { connect } from 'node:net';
import { createInterface } from 'node:readline';
import { readLine, writeLine, type Line } from './lineProtocol.ts';

export interface Address {
  host: string;
  port: number;
}

/** It did not answer, or not to the end; `lines` are those that came. */
export class InstrumentSilent extends Error {
  readonly lines: readonly Line[];
  constructor(message: string, lines: readonly Line[] = []) {
    super(message);
    this.name = 'InstrumentSilent';
    this.lines = lines;
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
    const end = (error?: Error) => {
      reader.close();
      socket.destroy();
      if (error) reject(error);
      else resolve({ lines, damaged });
    };
    socket.setTimeout(quietMs, () => end(new InstrumentSilent(`it said nothing for ${quietMs / 1000} s`, lines)));
    socket.once('connect', () => socket.write(`${writeLine(...question)}\n`));
    socket.once('error', (error: NodeJS.ErrnoException) =>
      end(new InstrumentSilent(error.code === 'ECONNREFUSED' ? 'nothing listens there' : 'the line broke', lines)),
    );
    socket.once('close', () => end(new InstrumentSilent('it hung up before it had finished', lines)));
    reader.on('line', (text) => {
      const line = text.length > LONGEST_LINE ? undefined : readLine(text);
      if (!line) damaged += 1;
      else lines.push(line);
      if (line?.word === last) end();
      else if (lines.length + damaged > MOST_LINES) end(new InstrumentSilent('it does not stop talking', lines));
    });
  });
}
