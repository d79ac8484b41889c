import { Router } from 'express';
import type { Knex } from 'knex';
import { HttpProblem } from '../http/problems.ts';

/** /health: the process lives. /ready: it can serve, which needs the database and not being about to stop. */
export function healthRoutes(db: Knex, stopping: () => boolean): Router {
  const router = Router();
  router.get('/health', (_req, res) => {
    res.json({ status: 'alive' });
  });
  router.get('/ready', async (_req, res) => {
    if (stopping()) throw new HttpProblem(503, 'stopping', 'Stopping', 'The server is about to stop.');
    try {
      await db.raw('select 1').timeout(3000);
    } catch {
      throw new HttpProblem(503, 'no-database', 'The database does not answer', 'Try again in a moment.');
    }
    res.json({ status: 'ready' });
  });
  return router;
}
