// `npm run outcomes`: writes docs/known-outcomes.md from what the engine says today.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { knownOutcomes, outcomesText } from '@anvilstone/core/education';
import { root } from './paths.mjs';

writeFileSync(join(root, 'docs/known-outcomes.md'), outcomesText(knownOutcomes()));
