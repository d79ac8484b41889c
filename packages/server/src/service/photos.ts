import { randomUUID } from 'node:crypto';
import { findingPhoto, type FindingPhoto } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import {
  attachmentNameOf,
  attachmentReply,
  MOST_ATTACHMENT_BYTES,
  requireAttachmentType,
} from '../bench/attachments.ts';
import type { Operation } from '../http/operation.ts';
import { notFound } from '../http/problems.ts';
import { textOf } from '../http/query.ts';
import { requireUuid } from '../parts/service.ts';
import { findingTable, findPhoto, keepPhoto, photosOf, removePhoto } from './repository.ts';

/** Photos and notes of what was found in service. */
export function photoOperations(db: Knex): Operation[] {
  return [
    {
      id: 'listFindingPhotos',
      method: 'get',
      path: '/service-findings/:id/photos',
      summary: 'Photos and notes of a finding, oldest first',
      answer: Type.Array(findingPhoto),
      handle: async ({ params }) => ({ body: await photosOf(db, params.id!) }),
    },
    {
      id: 'addFindingPhoto',
      method: 'post',
      path: '/service-findings/:id/photos',
      summary: 'Keep a photo, a note or a PDF of a finding: ?name= its file name',
      rawBodyBytes: MOST_ATTACHMENT_BYTES,
      answer: findingPhoto,
      status: 201,
      async handle({ params, query, body }) {
        if (!(await findingTable.find(db, params.id!))) throw notFound('finding', params.id!);
        const mediaType = requireAttachmentType(body);
        const content = body as Buffer;
        const kept: FindingPhoto = {
          id: randomUUID(),
          findingId: params.id!,
          name: attachmentNameOf(textOf(query, 'name')),
          mediaType,
          bytes: content.length,
          at: new Date().toISOString(),
        };
        await keepPhoto(db, kept, content);
        return { body: kept };
      },
    },
    {
      id: 'getFindingPhoto',
      method: 'get',
      path: '/finding-photos/:id',
      summary: 'A photo or a note of a finding, as it came',
      answer: { mediaType: 'application/octet-stream' },
      async handle({ params }) {
        requireUuid('photo', params.id!);
        const found = await findPhoto(db, params.id!);
        if (!found) throw notFound('photo', params.id!);
        return attachmentReply(found.document, found.content);
      },
    },
    {
      id: 'removeFindingPhoto',
      method: 'delete',
      path: '/finding-photos/:id',
      summary: 'Remove a photo or a note of a finding',
      answer: Type.Null(),
      status: 204,
      async handle({ params }) {
        requireUuid('photo', params.id!);
        if (!(await removePhoto(db, params.id!))) throw notFound('photo', params.id!);
        return { body: undefined };
      },
    },
  ];
}
