import { spawn, spawnSync } from 'node:child_process';

/** Runs a command to its end and returns { status, output }. Never throws. */
export function capture(command, args, options = {}) {
  const done = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 1 << 26, ...options });
  return {
    status: done.status ?? 1,
    output: `${done.stdout ?? ''}${done.stderr ?? ''}${done.error ? done.error.message : ''}`,
  };
}

/** The same without holding up what else is under way. */
export function captureLater(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, options);
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (text) => (output += text));
    child.on('error', (error) => resolve({ status: 1, output: output + error.message }));
    child.on('close', (code) => resolve({ status: code ?? 1, output }));
  });
}

/** Runs a command with its output shown. Resolves to its exit code. */
export function show(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: 'inherit', ...options });
    child.on('error', (error) => {
      console.error(error.message);
      resolve(1);
    });
    child.on('exit', (code) => resolve(code ?? 1));
  });
}

/** Stops with a message that says what to do. */
export function giveUp(message) {
  console.error(`\n${message}\n`);
  process.exit(1);
}
