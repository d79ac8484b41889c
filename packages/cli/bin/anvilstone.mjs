#!/usr/bin/env node
// The sources are TypeScript; tsx runs them as they are, so that there is no build to go stale.
import { register } from 'tsx/esm/api';

register();
const { main } = await import('../src/main.ts');
process.exitCode = await main(process.argv.slice(2));
