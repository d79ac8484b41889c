import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText } from './common.ts';

/** A print that is over: it wears the machine, empties the spool and makes the scrap rate. */
export const printRecord = record(
  {
    id: Type.String({ format: 'uuid' }),
    machineId: identifier,
    spoolId: Type.Union([Type.String({ maxLength: 16 }), Type.Null()], { description: 'Null = not known' }),
    what: shortText('What was printed'),
    endedAt: Type.String({ format: 'date-time' }),
    hours: Type.Number({ minimum: 0, maximum: 5000, description: 'Printing, h' }),
    massG: Type.Number({ minimum: 0, maximum: 30_000, description: 'Filament used, g' }),
    succeeded: Type.Boolean({ description: 'False = given up or scrapped' }),
    note: Type.Optional(longText('What was wrong, or worth knowing')),
  },
  'A print that is over',
  'print-record',
);
export type PrintRecord = Static<typeof printRecord>;
