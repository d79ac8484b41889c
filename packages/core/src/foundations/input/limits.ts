/** What a file may be at most. Over it, it is refused by name; a library is some megabytes. */
export const LIMITS = {
  fileBytes: 40_000_000,
  /** All files inside an archive together, unpacked. */
  unpackedBytes: 200_000_000,
  archiveEntries: 2000,
  rows: 50_000,
  columns: 300,
  cellCharacters: 4000,
  xmlDepth: 60,
} as const;
