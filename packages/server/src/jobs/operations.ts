import { job } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Operation } from '../http/operation.ts';
import type { JobService } from './service.ts';

export function jobOperations(jobs: JobService): Operation[] {
  return [
    {
      id: 'listJobs',
      method: 'get',
      path: '/jobs',
      summary: 'Jobs: what is open first, then what was done lately',
      answer: Type.Array(job),
      handle: async () => ({ body: await jobs.list() }),
    },
    {
      id: 'getJob',
      method: 'get',
      path: '/jobs/:jobId',
      summary: 'How far a job is, and what came of it',
      answer: job,
      handle: async ({ params }) => ({ body: await jobs.get(params.jobId!) }),
    },
    {
      id: 'cancelJob',
      method: 'post',
      path: '/jobs/:jobId/cancel',
      summary: 'Stop it, wherever it is being done; nothing of it stays',
      answer: job,
      handle: async ({ params }) => ({ body: await jobs.cancel(params.jobId!) }),
    },
    {
      id: 'retryJob',
      method: 'post',
      path: '/jobs/:jobId/retry',
      summary: 'Begin one again that failed or was cancelled',
      answer: job,
      handle: async ({ params }) => ({ body: await jobs.retry(params.jobId!) }),
    },
  ];
}
