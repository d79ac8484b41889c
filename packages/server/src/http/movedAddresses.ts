import type { RequestHandler } from 'express';

/** Addresses of earlier versions, below the API's own, and where they lead now. */
const MOVED: readonly [from: RegExp, to: string][] = [
  [/^\/agents(?=\/|$)/, '/chemicals'],
  [/^\/house-events$/, '/account-events'],
  [/^\/house-rules(?=\/|$)/, '/company-rules'],
  [/^(\/decisions\/[^/]+)\/outlook$/, '$1/drift'],
];

/** Programs that were written for an earlier version are sent on, with their method and body. */
export const movedAddresses: RequestHandler = (req, res, next) => {
  const found = MOVED.find(([from]) => from.test(req.path));
  if (!found) return next();
  const [path = '', query] = req.originalUrl.split('?');
  const moved = path.slice(0, path.length - req.path.length) + req.path.replace(...found);
  res.redirect(308, query === undefined ? moved : `${moved}?${query}`);
};
