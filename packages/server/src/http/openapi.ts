import { problem } from '@anvilstone/schema';
import type { Operation } from './operation.ts';

const PROBLEM = {
  description: 'Problem document (RFC 9457)',
  content: { 'application/problem+json': { schema: problem } },
};

/** OpenAPI 3.1 description of the operations. */
export function openApiDocument(operations: readonly Operation[], version: string): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const operation of operations) {
    const path = `/api/v1${operation.path.replaceAll(/:(\w+)/g, '{$1}')}`;
    (paths[path] ??= {})[operation.method] = describe(operation);
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Anvilstone', version, description: 'Chooses filaments for functional printed parts.' },
    paths,
  };
}

function describe(operation: Operation): object {
  const parameters = [...operation.path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const content =
    'mediaType' in operation.answer
      ? { [operation.answer.mediaType as string]: { schema: { type: 'string' } } }
      : { 'application/json': { schema: operation.answer } };
  return {
    operationId: operation.id,
    summary: operation.summary,
    parameters,
    ...(operation.rawBodyBytes || operation.fileBodyBytes
      ? { requestBody: { required: true, content: { 'application/octet-stream': {} } } }
      : {}),
    ...(operation.body
      ? { requestBody: { required: true, content: { 'application/json': { schema: operation.body } } } }
      : {}),
    responses: { [operation.status ?? 200]: { description: 'Done', content }, default: PROBLEM },
  };
}
