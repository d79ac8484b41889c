import express, { type RequestHandler } from 'express';

/** A brief is a few kilobytes and a library some megabytes; more is a mistake or an attack. */
const BODY_LIMIT = '5mb';
const STRANGERS_LIMIT = '16kb';
/** Documents of ours are some ten levels deep. What walks through one must not run out of stack. */
const DEEPEST = 64;

const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN, CLOSE] = [...'"\\[]{}'].map((sign) => sign.charCodeAt(0));

/** How deep brackets lie in each other, without reading it as JSON. */
export function depthOf(text: Buffer): number {
  let [depth, deepest] = [0, 0];
  let inText = false;
  for (let i = 0; i < text.length; i++) {
    const byte = text[i]!;
    if (inText) {
      if (byte === BACKSLASH) i += 1;
      else if (byte === QUOTE) inText = false;
    } else if (byte === QUOTE) inText = true;
    else if (byte === OPEN || byte === OPEN_LIST) deepest = Math.max(deepest, ++depth);
    else if (byte === CLOSE || byte === CLOSE_LIST) depth -= 1;
  }
  return deepest;
}

/**
 * Reads JSON whatever it is called, not longer and not deeper than documents are. Not packed: some kilobytes would become megabytes
 * before anything can be asked of whoever sends them.
 */
const jsonUpTo = (limit: string): RequestHandler =>
  express.json({
    limit,
    inflate: false,
    strict: true,
    type: () => true,
    verify: (_req, _res, text) => {
      if (depthOf(text) > DEEPEST) throw new Error(`more than ${DEEPEST} levels deep`);
    },
  });

export const jsonBody = jsonUpTo(BODY_LIMIT);
const readStrangers = jsonUpTo(STRANGERS_LIMIT);
const STRANGERS_MS = 30_000;

/** Of somebody who is not known: a name and a password, which come at once or not at all. */
export const strangersBodyWithin =
  (mostMs: number): RequestHandler =>
  (req, res, next) => {
    const late = setTimeout(() => req.destroy(), mostMs);
    readStrangers(req, res, (error?: unknown) => {
      clearTimeout(late);
      next(error);
    });
  };
export const strangersBody = strangersBodyWithin(STRANGERS_MS);
