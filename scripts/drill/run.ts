import { parseArgs } from 'node:util';
import { runDrills, type Outcome } from './drill.ts';
import { scenarios } from './scenarios.ts';

const { values } = parseArgs({ options: { only: { type: 'string', default: '' }, disk: { type: 'string' } } });
const chosen = scenarios.filter(({ title }) => title.includes(values.only));
if (chosen.length === 0) throw new Error(`No drill has “${values.only}” in its title`);

let bad = 0;
const columns = ['fault', 's', 'sent', 'not answered', 'acknowledged', 'longest wait, s', 'lost', 'doubled', 'seen'];
console.log(`| ${columns.join(' | ')} |\n|${columns.map(() => '---').join('|')}|`);
function tell(one: Outcome): void {
  bad += one.lost + one.doubled;
  const cells = [
    one.title,
    one.seconds.toFixed(0),
    one.sent,
    one.unanswered,
    one.acknowledged,
    one.longestGapS.toFixed(1),
    one.lost,
    one.doubled,
    one.seen,
  ];
  console.log(`| ${cells.join(' | ')} |`);
}
try {
  await runDrills(chosen, values.disk, tell);
  console.log(bad === 0 ? '\nNothing that was acknowledged was lost or done twice.' : `\n${bad} LOST OR DONE TWICE.`);
  process.exit(bad === 0 ? 0 : 1);
} catch (error) {
  console.error(error);
  process.exit(1);
}
