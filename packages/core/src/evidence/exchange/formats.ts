export interface LibraryFormat {
  id: string;
  title: string;
  extension: string;
  mediaType: string;
}

/** Every format the library can be written in. Apart from the writers, so that a menu needs none of their libraries. */
export const LIBRARY_FORMATS = [
  { id: 'csv', title: 'CSV, one table', extension: 'csv', mediaType: 'text/csv; charset=utf-8' },
  {
    id: 'xlsx',
    title: 'Workbook, three sheets (XLSX)',
    extension: 'xlsx',
    mediaType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  },
  { id: 'json', title: 'JSON, published schema', extension: 'json', mediaType: 'application/json' },
  { id: 'matml', title: 'MatML 3.1 (XML)', extension: 'xml', mediaType: 'application/xml; charset=utf-8' },
  { id: 'data-package', title: 'Tabular data package (ZIP)', extension: 'zip', mediaType: 'application/zip' },
] as const satisfies readonly LibraryFormat[];
