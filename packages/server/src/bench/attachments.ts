import { randomUUID } from 'node:crypto';
import { type Attachment, attachment } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import type { Reply } from '../http/reply.ts';
import { invalidInput, notFound } from '../http/problems.ts';
import { textOf } from '../http/query.ts';
import { requireUuid } from '../parts/service.ts';
import { attachmentsOf, campaignTable, findAttachment, keepAttachment, removeAttachment } from './repository.ts';

export const MOST_ATTACHMENT_BYTES = 12_000_000;

/** Photos and notes of a campaign, told by their content and not by their name. */
export function attachmentOperations(db: Knex): Operation[] {
  return [
    {
      id: 'listAttachments',
      method: 'get',
      path: '/campaigns/:id/attachments',
      summary: 'Photos and notes of a campaign, oldest first',
      answer: Type.Array(attachment),
      handle: async ({ params }) => ({ body: await attachmentsOf(db, params.id!) }),
    },
    {
      id: 'addAttachment',
      method: 'post',
      path: '/campaigns/:id/attachments',
      summary: 'Keep a photo, a note or a PDF: ?about= the specimen, trial or inspection, ?name= its file name',
      rawBodyBytes: MOST_ATTACHMENT_BYTES,
      answer: attachment,
      status: 201,
      async handle({ params, query, body }) {
        if (!(await campaignTable.find(db, params.id!))) throw notFound('campaign', params.id!);
        const mediaType = requireAttachmentType(body);
        const content = body as Buffer;
        const kept: Attachment = {
          id: randomUUID(),
          campaignId: params.id!,
          aboutId: (textOf(query, 'about') ?? params.id!).slice(0, 80),
          name: attachmentNameOf(textOf(query, 'name')),
          mediaType,
          bytes: content.length,
          at: new Date().toISOString(),
        };
        await keepAttachment(db, kept, content);
        return { body: kept };
      },
    },
    {
      id: 'getAttachment',
      method: 'get',
      path: '/attachments/:id',
      summary: 'What was attached, as it came',
      answer: { mediaType: 'application/octet-stream' },
      async handle({ params }) {
        requireUuid('attachment', params.id!);
        const found = await findAttachment(db, params.id!);
        if (!found) throw notFound('attachment', params.id!);
        return attachmentReply(found.document, found.content);
      },
    },
    {
      id: 'removeAttachment',
      method: 'delete',
      path: '/attachments/:id',
      summary: 'Remove what was attached',
      answer: Type.Null(),
      status: 204,
      async handle({ params }) {
        requireUuid('attachment', params.id!);
        if (!(await removeAttachment(db, params.id!))) throw notFound('attachment', params.id!);
        return { body: undefined };
      },
    },
  ];
}

/** @throws HttpProblem 422: neither picture, text nor PDF */
export function requireAttachmentType(body: unknown): Attachment['mediaType'] {
  const mediaType = Buffer.isBuffer(body) ? mediaTypeOf(body) : undefined;
  if (mediaType) return mediaType;
  throw invalidInput([
    {
      pointer: '/file',
      detail: 'This is no picture, text or PDF',
      accepted: 'PNG, JPEG, WebP, PDF or plain text',
    },
  ]);
}

/** Never as a page of ours, whatever is in it. */
export function attachmentReply({ mediaType, name }: { mediaType: string; name: string }, content: Buffer): Reply {
  const inline = mediaType.startsWith('image/');
  return {
    body: content,
    headers: {
      'Content-Type': mediaType,
      'Content-Disposition': `${inline ? 'inline' : 'attachment'}; filename*=UTF-8''${encodeURIComponent(name)}`,
      'X-Content-Type-Options': 'nosniff',
      'Content-Security-Policy': "default-src 'none'",
    },
  };
}

const SIGNATURES: readonly [Attachment['mediaType'], (bytes: Buffer) => boolean][] = [
  ['image/png', (bytes) => bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))],
  ['image/jpeg', (bytes) => bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff],
  ['image/webp', (bytes) => bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP'],
  ['application/pdf', (bytes) => bytes.toString('latin1', 0, 5) === '%PDF-'],
  ['text/plain', isText],
];

function mediaTypeOf(bytes: Buffer): Attachment['mediaType'] | undefined {
  return bytes.length === 0 ? undefined : SIGNATURES.find(([, is]) => is(bytes))?.[0];
}

/** UTF-8 without control characters other than line ends and tabs. */
function isText(bytes: Buffer): boolean {
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return ![...text].some((one) => one < ' ' && !'\r\n\t'.includes(one));
  } catch {
    return false;
  }
}

export const attachmentNameOf = (name: string | undefined) =>
  (name ?? '')
    .replace(/^.*[/\\]/, '')
    .replace(/[^\p{L}\p{N} ._-]/gu, '_')
    .slice(0, 120) || 'attachment';
