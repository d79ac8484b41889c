import { expect, test } from './fixtures.ts';
import { lampArm } from '@anvilstone/core/education/sample';
import type { EvaluationResult } from '@anvilstone/schema';
import { makePart } from './part.ts';

test('what would change the answer: the value at which another wins, checked against the server', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { title: 'An arm whose answer may change' });
  await page.goto(`/parts/${part.id}/compare`);
  const panel = page.getByRole('region', { name: 'Sensitivity of the choice' });
  const size = panel.getByRole('row', { name: /^Depth along the load/ });
  await expect(size).toBeVisible({ timeout: 20_000 });
  await expect(panel.getByRole('progressbar')).toHaveCount(0, { timeout: 20_000 });
  const cells = await size.getByRole('cell').allInnerTexts();
  const turn = /^([\d.]+) mm\n+(.+)$/.exec(cells[3]!.trim());
  expect(turn).not.toBeNull();
  const [, above, winner] = turn!;
  const winnerAt = async (depthMm: number) => {
    const brief = { ...lampArm, part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm } } };
    const result = (await (await request.post('/api/v1/evaluations', { data: { brief } })).json()) as EvaluationResult;
    const passing = result.grades.filter(({ best }) => best.status === 'pass');
    return passing.sort((a, b) => a.best.costUsd! - b.best.costUsd!)[0]!.gradeId;
  };
  expect(await winnerAt(Number(above) - 0.3)).toBe('ne-petg');
  expect(await winnerAt(Number(above) + 0.3)).toBe('ne-abs');
  expect(winner).toBe('Nine Elms ABS Trade');
});
