/** A file that cannot be read at all. The message says why, and what would be accepted. */
export class FileError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'FileError';
  }
}
