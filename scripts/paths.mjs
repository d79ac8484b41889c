import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
/** Everything this checkout makes for itself while it runs; git ignores it. */
export const localFolder = join(root, '.local');
