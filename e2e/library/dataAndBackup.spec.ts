import { readFile } from 'node:fs/promises';
import { expect, test } from '../fixtures.ts';

test('the whole workshop goes out as an archive, is checked and taken in beside what is here; a damaged one is refused', async ({
  page,
}) => {
  await page.goto('/data');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download the archive' }).click();
  const path = await (await download).path();
  const file = page.getByLabel('Archive', { exact: true });
  await file.setInputFiles({ name: 'w.zip', mimeType: 'application/zip', buffer: await readFile(path) });
  await expect(page.getByRole('status')).toContainText('w.zip is intact');
  await expect(page.getByRole('status')).toContainText(/\d+ parts, .*decisions/);
  // Everything goes only when it is said in words.
  await expect(page.getByRole('button', { name: 'Replace' })).toBeDisabled();
  await page.getByRole('button', { name: 'Merge' }).click();
  await expect(page.getByRole('status')).toContainText(/0 parts, \d+ existed already/);

  const damaged = await readFile(path);
  const middle = Math.floor(damaged.length / 2);
  damaged.fill(0, middle, middle + 2000);
  await file.setInputFiles({ name: 'damaged.zip', mimeType: 'application/zip', buffer: damaged });
  await expect(page.getByRole('alert')).toContainText('Nothing was changed');
});
