import type { Problem } from '@anvilstone/schema';
import { BadInput } from './terminal.ts';

export const SERVER_OPTION = { server: { type: 'string' } } as const;

/** Where the app answers: as given, as the environment says, or where it is usually found. */
export function serverAddress(given: string | undefined): URL {
  const text = given ?? process.env.ANVILSTONE_URL ?? 'http://127.0.0.1:4600';
  try {
    return new URL(text);
  } catch {
    throw new BadInput(`--server ${text} is no address: use for example http://127.0.0.1:4600`);
  }
}

/** @throws BadInput nobody answers there, or the server refuses, in its own words */
export async function ask(server: URL, path: string, init: RequestInit = {}): Promise<Response> {
  let reply: Response;
  try {
    reply = await fetch(new URL(path, server), init);
  } catch (error) {
    const cause = (error as { cause?: { message?: string } }).cause?.message ?? (error as Error).message;
    throw new BadInput(
      `nobody answers at ${server.origin} (${cause}): start it with “npm start”, or name it with --server`,
    );
  }
  if (reply.ok) return reply;
  const problem = (await reply.json().catch(() => ({}))) as Partial<Problem>;
  throw new BadInput(problem.detail ?? `the server answers ${reply.status}`, problem.errors ?? []);
}
