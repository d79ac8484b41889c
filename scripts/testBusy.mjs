#!/usr/bin/env node
// `npm run test:busy`: all tests, twice in a row, on a machine whose cores have twice as much else to do. `-- --times 1` runs them once.
import { fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { root } from './paths.mjs';
import { show } from './run.mjs';

/** With two that never wait beside it, whoever wants a core has a third of it. */
const LOADS_A_CORE = 2;
/** The load ends by itself after so long, however this ends, h. */
const LONGEST_H = 2;
const SLICE_MS = 500;

if (process.argv[2] === 'load') load(Date.now() + LONGEST_H * 3600e3);
else await runBusy();

/** Keeps one core at work until `untilMs`, or until nobody wants it any more. */
function load(untilMs) {
  const sliceMs = Date.now() + SLICE_MS;
  while (Date.now() < sliceMs) Math.sqrt(Math.random());
  if (Date.now() < untilMs && process.connected) setImmediate(load, untilMs);
}

async function runBusy() {
  const { values } = parseArgs({ options: { times: { type: 'string', default: '2' } } });
  const loads = Array.from({ length: LOADS_A_CORE * availableParallelism() }, () =>
    fork(fileURLToPath(import.meta.url), ['load'], { execArgv: [] }),
  );
  const said = [];
  let code = 0;
  try {
    for (let run = 1; run <= Number(values.times) && code === 0; run++) {
      const beganMs = Date.now();
      code = await show('node', [join(root, 'scripts/test.mjs')], { cwd: root });
      said.push(`run ${run}: ${code === 0 ? 'passed' : 'failed'} in ${((Date.now() - beganMs) / 60e3).toFixed(1)} min`);
    }
  } finally {
    for (const one of loads) one.disconnect();
  }
  console.log(`\nWith ${loads.length} busy processes beside it: ${said.join(', ')}`);
  process.exitCode = code;
}
