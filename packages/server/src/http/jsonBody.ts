import express, { type RequestHandler } from 'express';

/** A brief is a few kilobytes and a library some megabytes; more is a mistake or an attack. */
const BODY_LIMIT = '5mb';
/** Documents of ours are some ten levels deep. What walks through one must not run out of stack. */
const DEEPEST = 64;

const [QUOTE, BACKSLASH, OPEN, CLOSE] = ['"', '\\', '[{', ']}'].map((text) => Buffer.from(text));

/** How deep brackets lie in each other, without reading it as JSON. */
export function depthOf(text: Buffer): number {
  let [depth, deepest] = [0, 0];
  let inText = false;
  for (let i = 0; i < text.length; i++) {
    const byte = text[i]!;
    if (inText) {
      if (byte === BACKSLASH![0]) i += 1;
      else if (byte === QUOTE![0]) inText = false;
    } else if (byte === QUOTE![0]) inText = true;
    else if (OPEN!.includes(byte)) deepest = Math.max(deepest, ++depth);
    else if (CLOSE!.includes(byte)) depth -= 1;
  }
  return deepest;
}

/** Reads JSON whatever it is called, not longer and not deeper than documents are. */
export const jsonBody: RequestHandler = express.json({
  limit: BODY_LIMIT,
  strict: true,
  type: () => true,
  verify: (_req, _res, text) => {
    if (depthOf(text) > DEEPEST) throw new Error(`more than ${DEEPEST} levels deep`);
  },
});
