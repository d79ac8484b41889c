import { FileError } from '@anvilstone/core/foundations';

/**
 * Text of a file: UTF-8 or UTF-16 by its byte order mark, UTF-8 where the bytes are valid, else Windows-1252, which older
 * spreadsheets write.
 * @throws FileError the bytes are no text
 */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.subarray(0, 4096).includes(0)) throw new FileError('This is not a text file: it holds zero bytes.');
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
