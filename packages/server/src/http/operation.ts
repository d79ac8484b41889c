import { validator } from '@anvilstone/schema/validate';
import type { TSchema } from '@sinclair/typebox';
import express, { Router, type Request } from 'express';
import { invalidInput } from './problems.ts';

export interface Reply {
  status?: number;
  body: unknown;
  headers?: Record<string, string>;
}

/** One route. The router and the OpenAPI document are both made from these, so neither can know a route the other lacks. */
export interface Operation {
  id: string;
  method: 'get' | 'post' | 'put' | 'delete';
  /** Express form, below /api/v1: /parts/:partId */
  path: string;
  summary: string;
  body?: TSchema;
  /** The body is a file of at most this many bytes, handed over as it came. */
  rawBodyBytes?: number;
  /** Success answer: a schema, or a media type for files. */
  answer: TSchema | { mediaType: string };
  status?: number;
  handle(request: { params: Record<string, string>; query: Request['query']; body: unknown }): Promise<Reply>;
}

export function routerOf(operations: readonly Operation[]): Router {
  const router = Router();
  for (const operation of operations) {
    const check = operation.body && validator(operation.body);
    router[operation.method](operation.path, async (req, res) => {
      let body: unknown = operation.rawBodyBytes ? req.body : undefined;
      if (check) {
        const checked = check(req.body);
        if (!checked.ok) throw invalidInput(checked.issues);
        body = checked.value;
      }
      const reply = await operation.handle({ params: req.params as Record<string, string>, query: req.query, body });
      res.status(reply.status ?? operation.status ?? 200);
      for (const [name, value] of Object.entries(reply.headers ?? {})) res.setHeader(name, value);
      if (Buffer.isBuffer(reply.body) || typeof reply.body === 'string') res.send(reply.body);
      else if (reply.body === undefined) res.end();
      else res.json(reply.body);
    });
  }
  return router;
}

/** Takes files in whole, before anything tries to read them as JSON. */
export function fileBodies(operations: readonly Operation[]): Router {
  const router = Router();
  for (const { method, path, rawBodyBytes } of operations) {
    if (rawBodyBytes) router[method](path, express.raw({ limit: rawBodyBytes, type: () => true }));
  }
  return router;
}
