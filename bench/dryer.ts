import { planDryers } from '@anvilstone/core/making';
import { dryers, spools } from './dryerCase.ts';

const RUNS = 5;
const started = performance.now();
for (let i = 0; i < RUNS; i++) planDryers(spools, dryers);
const perPlanS = (performance.now() - started) / 1000 / RUNS;
const plan = planDryers(spools, dryers);
console.log(
  `dryer plan, 60 spools × 3 dryers: ${(1 / perPlanS).toFixed(1)} plans/s, ${(1 / perPlanS).toFixed(2)} of the wanted rate of 1/s; ${plan.runs.length} runs, ${plan.lateH.toFixed(1)} h late`,
);
