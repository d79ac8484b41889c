import { expect, test } from '@playwright/test';
import type { AgentOfWorkshop, GradeRecord } from '@anvilstone/schema';

test('an agent of our own: added, looked up, soaked, and its soak leads over the table', async ({ page, request }) => {
  await page.goto('/agents');
  await expect(page.getByRole('cell', { name: /PA6 in Chloride|cracks under tension/ }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Add one of our own' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Haul-rope dressing');
  await expect(page.getByRole('button', { name: 'Save it' })).toBeDisabled();
  await page.getByLabel('Examples, with commas between').fill('tacky rope lubricant, tar oil');
  await page.getByLabel('What people must mind').fill('Slippery: gloves, wipe the floor.');
  await page.getByLabel('CPE: lasting contact').selectOption('Is ruined');
  await page.getByLabel('CPE: why').fill('Softened in a week');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Haul-rope dressing' })).toBeVisible();
  const { agent } = ((await (await request.get('/api/v1/agents')).json()) as AgentOfWorkshop[])[0]!;
  expect(agent).toMatchObject({
    id: 'haul-rope-dressing',
    examples: ['tacky rope lubricant', 'tar oil'],
    ratings: { cpe: { rating: 'unsuitable', stressCrack: false, note: 'Softened in a week' } },
  });

  // A soak belongs to a grade's evidence.
  const form = page.getByRole('region', { name: 'Record a soak of our own' });
  await form.getByLabel('Grade').selectOption('Quernhollow CPE');
  await form.getByLabel('For', { exact: true }).fill('2 weeks');
  await expect(form.getByRole('button', { name: 'Record it' })).toBeDisabled();
  await form.getByLabel('Bent to a stress of').fill('4 MPa');
  await form.getByLabel('Where it is written down').fill('Soak S-21');
  await form.getByRole('button', { name: 'Record it' }).click();
  await expect(form.getByText('Recorded with the grade.')).toBeVisible();
  await expect(
    page.getByRole('region', { name: 'Soaks and statements on single grades' }).getByText(/S-21/),
  ).toBeVisible();
  const grade = (await (await request.get('/api/v1/grades/qh-cpe')).json()) as GradeRecord;
  expect(grade.grade.observations.at(-1)).toMatchObject({
    property: 'chemicalResistance',
    classValue: 'resistant',
    agentId: 'haul-rope-dressing',
    durationH: 336,
    creepStressMPa: 4,
    source: 'bench',
  });

  await page.getByRole('link', { name: '← All agents' }).click();
  await expect(page.getByRole('row', { name: /Haul-rope dressing/ }).getByText('our own')).toBeVisible();
  await page.getByRole('link', { name: 'Haul-rope dressing' }).click();
  await page.getByRole('button', { name: 'Remove Haul-rope dressing' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Agents' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Haul-rope dressing' })).toHaveCount(0);
});

test('a reference agent corrected for this workshop says what the table said, and can be put back', async ({
  page,
}) => {
  await page.goto('/agents/ozone');
  await page.getByRole('link', { name: 'Correct it for this workshop' }).click();
  await page.getByLabel('PLA: lasting contact').selectOption('Is ruined');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByText(/corrected in this workshop/)).toBeVisible();
  await expect(page.getByRole('row', { name: /^PLA / }).getByText(/table:/)).toBeVisible();
  await page.getByRole('button', { name: /Remove the corrections/ }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByText('corrected here')).toHaveCount(0);
});
