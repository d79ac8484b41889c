import type { Grade, Library, Machine } from '@anvilstone/schema';
import grades from './data/grades.json' with { type: 'json' };
import machines from './data/machines.json' with { type: 'json' };

export * from './briefs/index.ts';
export * from './stock.ts';

/** The invented cableway workshop's grades and machines: sample data, not for design. */
export const sampleLibrary: Library = { grades: grades as Grade[], machines: machines as Machine[] };
export * from './campaigns.ts';
export * from './service.ts';
