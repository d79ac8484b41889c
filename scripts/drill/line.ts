import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';

/** The way between the servers and the database, which a drill makes slow or cuts. */
export interface Line {
  port: number;
  /** Where the database is from now on. */
  to(port: number): void;
  /** Every piece that goes over it waits for so long, ms. */
  slow(ms: number): void;
  /** Ends every connection; refuses new ones until it is mended. */
  cut(): void;
  mend(): void;
  close(): Promise<void>;
}

export async function makeLine(): Promise<Line> {
  const open = new Set<Socket>();
  let target = 0;
  let waitMs = 0;
  let isCut = false;
  const carry = (from: Socket, into: Socket) => {
    from.on('data', (piece) => {
      if (waitMs === 0) into.write(piece);
      else setTimeout(() => into.writable && into.write(piece), waitMs);
    });
    from.on('close', () => setTimeout(() => into.destroy(), waitMs));
    from.on('error', () => into.destroy());
  };
  const server: Server = createServer((client) => {
    if (isCut) {
      client.destroy();
      return;
    }
    const database = connect(target, '127.0.0.1');
    for (const socket of [client, database]) {
      open.add(socket);
      socket.on('close', () => open.delete(socket));
    }
    carry(client, database);
    carry(database, client);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const hangUp = () => {
    for (const socket of open) socket.destroy();
  };
  return {
    port: (server.address() as AddressInfo).port,
    to: (port) => (target = port),
    slow: (ms) => (waitMs = ms),
    cut() {
      isCut = true;
      hangUp();
    },
    mend: () => (isCut = false),
    async close() {
      const closed = new Promise((resolve) => server.close(resolve));
      hangUp();
      await closed;
    },
  };
}
