import { planDryers } from '@anvilstone/core';

/** 60 spools of six drying temperatures for three dryers, needed over a week. */
const spools = Array.from({ length: 60 }, (_, i) => ({
  id: `s${i}`,
  dryingC: [45, 50, 60, 65, 70, 80][i % 6]!,
  limitC: [50, 55, 65, 75, 80, 95][i % 6]!,
  hours: 4 + ((i * 7) % 9),
  needByH: 8 + ((i * 37) % 160),
}));
const dryers = [
  { id: 'small', slots: 2, maximumC: 70 },
  { id: 'cupboard', slots: 4, maximumC: 85 },
  { id: 'oven', slots: 6, maximumC: 120 },
];
const RUNS = 5;
const started = performance.now();
for (let i = 0; i < RUNS; i++) planDryers(spools, dryers);
const perPlanS = (performance.now() - started) / 1000 / RUNS;
const plan = planDryers(spools, dryers);
console.log(
  `dryer plan, 60 spools × 3 dryers: ${(1 / perPlanS).toFixed(1)} plans/s, ${(1 / perPlanS).toFixed(2)} of the wanted rate of 1/s; ${plan.runs.length} runs, ${plan.lateH.toFixed(1)} h late`,
);
