/** One row of a file with the line it came from, so that a problem can be found again. */
export interface TableRow {
  line: number;
  cells: string[];
}

/** A table as it stands in the file; nothing in it is interpreted yet. */
export interface RawTable {
  name: string;
  headerLine: number;
  header: string[];
  rows: TableRow[];
}
