import type { Misbehaviour } from '@anvilstone/schema';
import { createServer, type Server, type Socket } from 'node:net';
import { createInterface } from 'node:readline';
import type { Address } from '../instruments/ask.ts';
import { readLine, type Line } from '../instruments/lineProtocol.ts';

export interface LineServer {
  address: Address;
  behaviour(): Misbehaviour;
  behave(behaviour: Misbehaviour): Promise<void>;
  close(): Promise<void>;
}

/** Lines of an answer that still come before it drops out. */
const BEFORE_DROPPING = 25;

/**
 * A stand-in on loopback that speaks the line protocol. Switched off it is dead: the port is closed and every line cut. One that drops
 * out hangs up in the middle of an answer; one that talks nonsense damages every third line. How it drifts is its own affair.
 */
export async function lineServer(
  answer: (question: Line, behaviour: Misbehaviour) => readonly string[],
): Promise<LineServer> {
  let behaviour: Misbehaviour = 'well';
  const sockets = new Set<Socket>();
  let server: Server | undefined;
  let port = 0;

  function serve(socket: Socket): void {
    sockets.add(socket);
    socket.on('error', () => socket.destroy());
    socket.on('close', () => sockets.delete(socket));
    createInterface({ input: socket, crlfDelay: Infinity }).on('line', (text) => {
      const question = readLine(text);
      const lines = question ? answer(question, behaviour) : [];
      if (behaviour === 'drops-out') {
        const some = lines.slice(0, Math.min(BEFORE_DROPPING, lines.length - 1));
        socket.end(some.map((line) => `${line}\n`).join(''));
        return;
      }
      const said = behaviour === 'nonsense' ? lines.map((line, i) => (i % 3 === 0 ? scrambled(line) : line)) : lines;
      socket.write(said.map((line) => `${line}\n`).join(''));
    });
  }
  const open = () =>
    new Promise<void>((resolve, reject) => {
      server = createServer(serve).unref();
      server.once('error', reject);
      server.listen(port, '127.0.0.1', () => {
        port = (server!.address() as { port: number }).port;
        resolve();
      });
    });
  const close = () =>
    new Promise<void>((resolve) => {
      for (const socket of sockets) socket.destroy();
      if (!server) return resolve();
      server.close(() => resolve());
      server = undefined;
    });
  await open();
  return {
    get address() {
      return { host: '127.0.0.1', port };
    },
    behaviour: () => behaviour,
    async behave(next) {
      behaviour = next;
      if (next === 'off') await close();
      else if (!server) await open();
    },
    close,
  };
}

/** As a bad contact does it: some characters are others. */
const scrambled = (line: string) => [...line].map((one, i) => (i % 5 === 2 ? '?' : one)).join('');
