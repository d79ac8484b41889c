import { invalidInput } from '../../http/problems.ts';

/** Version 1 held every byte in its lines; it is still read. */
export const FORMATS = ['anvilstone-workshop/1', 'anvilstone-workshop/2'] as const;
export const ARCHIVE_FORMAT = FORMATS[1];
export const MANIFEST = 'manifest.json';
export const fileOf = (table: string) => `tables/${table}.ndjson`;
export const blobFile = (sha256: string) => `blobs/${sha256}`;
export const IS_TABLE = /^tables\/[a-z_]+\.ndjson$/;
export const IS_BLOB = /^blobs\/[0-9a-f]{64}$/;

/** Taken in and written alike, bytes: what can be backed up can be restored. */
export const MOST_ARCHIVE_BYTES = 50e9;
/** A value of more bytes than this stands in a file of its own, as it is; its line names it. */
export const INLINE_BYTES = 16_384;
/** The longest line: a decision frozen over a large library is some megabytes. */
export const MOST_LINE_BYTES = 200e6;

export interface ArchiveManifest {
  format: (typeof FORMATS)[number];
  /** Shape of the database that it was taken from. */
  shape: string;
  engineVersion: string;
  /** The key that seals records is in it: a backup, to be kept private, and not an archive to be given away. */
  holdsKey: boolean;
  files: { name: string; table: string; rows: number; bytes?: number; sha256: string }[];
}

/** In the place of a large value. */
export interface BlobReference {
  blob: string;
}
export const isBlobReference = (value: unknown): value is BlobReference =>
  typeof value === 'object' && value !== null && 'blob' in value && IS_BLOB.test(blobFile(String(value.blob)));

export const refuse = (detail: string, accepted?: string) =>
  invalidInput([{ pointer: '/file', detail, ...(accepted ? { accepted } : {}) }], 'Nothing was changed.');
