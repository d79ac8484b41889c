import type { RequestHandler } from 'express';
import { HttpProblem } from './problems.ts';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/i;

/**
 * Refuses requests that name another host (DNS rebinding) or come from another origin's page (cross-site requests).
 * A request without Origin (typed address, command line) passes; one with an Origin must come from the very host it names.
 */
export const originGuard: RequestHandler = (req, _res, next) => {
  const host = req.headers.host ?? '';
  if (!LOOPBACK.test(host)) {
    throw new HttpProblem(421, 'foreign-host', 'Wrong host', 'This server answers on 127.0.0.1 and localhost only.');
  }
  const { origin } = req.headers;
  if (origin !== undefined && origin.toLowerCase() !== `http://${host.toLowerCase()}`) {
    throw new HttpProblem(403, 'foreign-origin', 'Foreign origin', 'Requests from other sites’ pages are refused.');
  }
  next();
};
