import type { Problem } from '@anvilstone/schema';
import { BadInput } from './terminal.ts';

export const SERVER_OPTION = { server: { type: 'string' } } as const;

/** Where the app answers: as given, as the environment says, or where it is usually found. A workspace’s address ends in /w/its-name. */
export function serverAddress(given: string | undefined): URL {
  const text = given ?? process.env.ANVILSTONE_URL ?? 'http://127.0.0.1:4600';
  try {
    return new URL(text);
  } catch {
    throw new BadInput(`--server ${text} is no address: use for example http://127.0.0.1:4600`);
  }
}

/** A token of one’s own, where the app has accounts. Never an option: other users of a machine see those. */
const token = () => process.env.ANVILSTONE_TOKEN;

/** @throws BadInput nobody answers there, or the server refuses, in its own words */
export async function ask(server: URL, path: string, init: RequestInit = {}): Promise<Response> {
  let reply: Response;
  try {
    const headers = {
      ...(init.headers as Record<string, string>),
      ...(token() ? { Authorization: `Bearer ${token()}` } : {}),
    };
    reply = await fetch(new URL(server.pathname.replace(/\/$/, '') + path, server), { ...init, headers });
  } catch (error) {
    const cause = (error as { cause?: { message?: string } }).cause?.message ?? (error as Error).message;
    throw new BadInput(
      `nobody answers at ${server.origin} (${cause}): start it with “npm start”, or name it with --server`,
    );
  }
  if (reply.ok) return reply;
  if (reply.status === 401)
    throw new BadInput(
      token()
        ? `${server.origin} does not know the token in ANVILSTONE_TOKEN: it ran out, or is of another workspace`
        : `${server.origin} has accounts: make a token under People and put it into ANVILSTONE_TOKEN`,
    );
  const problem = (await reply.json().catch(() => ({}))) as Partial<Problem>;
  throw new BadInput(problem.detail ?? `the server answers ${reply.status}`, problem.errors ?? []);
}
