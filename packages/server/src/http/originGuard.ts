import type { RequestHandler } from 'express';
import { HttpProblem } from './problems.ts';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/i;

/** The address by which people reach a server that is not only for this computer: https://filament.example */
export function publicAddress(text: string | undefined): URL | undefined {
  if (!text) return undefined;
  let url: URL;
  try {
    url = new URL(text);
  } catch {
    throw new Error(`“${text}” is no address: write it as https://filament.example`);
  }
  if (!/^https?:$/.test(url.protocol) || url.pathname !== '/' || url.search || url.hash || url.username)
    throw new Error(`“${text}” is not the address of a server alone: write it as https://filament.example`);
  return url;
}

/** Of an address to listen on or a host as a browser names it. */
export const isLoopback = (host: string): boolean => host === '::1' || LOOPBACK.test(host);

/**
 * Refuses requests that name another host (DNS rebinding) or come from another origin's page (cross-site requests).
 * A request without Origin (typed address, command line) passes; one with an Origin must come from the very host it names.
 */
export function originGuard(address?: URL): RequestHandler {
  const own = address?.host.toLowerCase();
  return (req, _res, next) => {
    const host = (req.headers.host ?? '').toLowerCase();
    const isOwn = own !== undefined && host === own;
    if (!isOwn && !LOOPBACK.test(host)) {
      const names = own ? `${own}, 127.0.0.1 and localhost` : '127.0.0.1 and localhost';
      throw new HttpProblem(421, 'foreign-host', 'Wrong host', `This server answers on ${names} only.`);
    }
    const { origin } = req.headers;
    const expected = isOwn ? address!.origin : `http://${host}`;
    if (origin !== undefined && origin.toLowerCase() !== expected.toLowerCase()) {
      throw new HttpProblem(403, 'foreign-origin', 'Foreign origin', 'Requests from other sites’ pages are refused.');
    }
    next();
  };
}
