import { validator } from '@anvilstone/schema/validate';
import type { TSchema } from '@sinclair/typebox';
import express, { Router, type Request, type RequestHandler } from 'express';
import type { Knex } from 'knex';
import { actingAs } from '../db/actor.ts';
import { actorOf, principalOf, requireMay, type Needs, type Principal } from './principal.ts';
import { jsonBody, strangersBody } from './jsonBody.ts';
import { once } from './once.ts';
import { isPacked } from './packed.ts';
import { invalidInput } from './problems.ts';
import { receiveFile } from './receiveFile.ts';
import { isStreamed, type Reply } from './reply.ts';

/** One route. The router and the OpenAPI document are both made from these, so neither can know a route the other lacks. */
export interface Operation {
  id: string;
  method: 'get' | 'post' | 'put' | 'delete';
  /** Express form, below /api/v1: /parts/:partId */
  path: string;
  summary: string;
  /** What it asks of whoever calls it; by itself a viewer’s role to read and an engineer’s to change. */
  needs?: Needs;
  /** It makes something new: sent again with the same Idempotency-Key it is not made twice. */
  once?: true;
  body?: TSchema;
  /** The body is a file of at most this many bytes, handed over as it came. */
  rawBodyBytes?: number;
  /** The body is a file that may be larger than memory, of at most this many bytes: a `ReceivedFile`. */
  fileBodyBytes?: number;
  /** Success answer: a schema, or a media type for files. */
  answer: TSchema | { mediaType: string };
  status?: number;
  handle(request: {
    params: Record<string, string>;
    query: Request['query'];
    body: unknown;
    principal: Principal;
    /** Where it came from: for limits and for the list of sessions. */
    from: { address: string; program: string };
    /** Whoever asks has the answer of this tag already: then status 304 with nothing in it will do. */
    isKnown(etag: string): boolean;
  }): Promise<Reply>;
}

export const needsOf = ({ needs, method }: Operation): Needs => needs ?? (method === 'get' ? 'viewer' : 'engineer');

const TAB = /^[0-9a-f-]{36}$/;

/** `db`: where operations that are done once keep what they answered. */
export function routerOf(operations: readonly Operation[], db?: Knex): Router {
  const router = Router();
  for (const operation of operations) {
    const check = operation.body && validator(operation.body);
    const needs = needsOf(operation);
    // Nobody’s bytes are taken in before it is known that they may be sent.
    const authorise: RequestHandler = (_req, res, next) => {
      requireMay(principalOf(res), needs);
      next();
    };
    router[operation.method](operation.path, authorise, bodyOf(operation), async (req, res) => {
      let body: unknown = operation.rawBodyBytes || operation.fileBodyBytes ? req.body : undefined;
      if (check) {
        const checked = check(req.body);
        if (!checked.ok) throw invalidInput(checked.issues);
        body = checked.value;
      }
      const principal = principalOf(res);
      const params = req.params as Record<string, string>;
      const from = { address: req.ip ?? '', program: req.headers['user-agent'] ?? '' };
      const tab = req.headers['anvilstone-tab'];
      const actor = { ...actorOf(principal), ...(typeof tab === 'string' && TAB.test(tab) ? { tab } : {}) };
      const known = (req.headers['if-none-match'] ?? '').split(/,\s*/);
      const isKnown = (etag: string) => known.includes(etag);
      const work = () => operation.handle({ params, query: req.query, body, principal, from, isKnown });
      const key = req.headers['idempotency-key'];
      const asked = [params, req.query, body];
      const reply = await actingAs(actor, () =>
        operation.once && db && typeof key === 'string'
          ? once(db, { key, operation: operation.id, asked, principal }, work)
          : work(),
      );
      res.status(reply.status ?? operation.status ?? 200);
      for (const [name, value] of Object.entries(reply.headers ?? {})) res.setHeader(name, value);
      if (isStreamed(reply.body)) await reply.body.writeTo(res);
      else if (isPacked(reply.body)) {
        res.setHeader('Vary', 'Accept-Encoding');
        const isZipped = req.acceptsEncodings('gzip', 'identity') === 'gzip';
        if (isZipped) res.setHeader('Content-Encoding', 'gzip');
        res.end(isZipped ? reply.body.gzip : reply.body.plain);
      } else if (Buffer.isBuffer(reply.body) || typeof reply.body === 'string') res.send(reply.body);
      else if (reply.body === undefined) res.end();
      else res.json(reply.body);
    });
  }
  return router;
}

/** A file is taken in whole, before anything tries to read it as JSON. */
function bodyOf({ rawBodyBytes, fileBodyBytes, needs }: Operation): RequestHandler {
  if (fileBodyBytes) return receiveFile(fileBodyBytes);
  if (rawBodyBytes) return express.raw({ limit: rawBodyBytes, inflate: false, type: () => true });
  return needs === 'anyone' ? strangersBody : jsonBody;
}
