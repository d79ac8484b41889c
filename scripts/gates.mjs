import { root } from './paths.mjs';
import { captureLater } from './run.mjs';

/** What is checked without running the product, each an npm script; what takes longest first. */
export const GATES = [
  ['type check', 'check:types'],
  ['lint', 'check:lint'],
  ['weight of the pages', 'check:budget'],
  ['dependency rule', 'check:dependencies'],
  ['unused code', 'check:unused'],
  ['formatting', 'check:format'],
  ['published schemas', 'check:schemas'],
];
const AT_ONCE = 2;

/** Runs gates side by side and shows what each said in one piece. @returns names of those that are not in order */
export async function runGates(gates) {
  const waiting = [...gates];
  const broken = [];
  const work = async () => {
    for (let gate = waiting.shift(); gate; gate = waiting.shift()) {
      const [name, script] = gate;
      const beganMs = Date.now();
      const { status, output } = await captureLater('npm', ['run', script, '--silent'], { cwd: root });
      console.log(`\n— ${name}, ${((Date.now() - beganMs) / 1000).toFixed(0)} s\n${output.trim()}`);
      if (status !== 0) broken.push(name);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return broken;
}
