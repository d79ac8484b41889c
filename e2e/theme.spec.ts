import { faintTexts } from './contrast.ts';
import { expect, test } from './fixtures.ts';

test('a text too faint is found in either theme, by its colour and its ground', async ({ page }) => {
  await page.goto('/parts');
  await expect(page.getByText('Lamp arm, pylon 7 walkway').first()).toBeVisible();
  expect(await faintTexts(page)).toEqual([]);
  await page.evaluate(() => {
    const box = document.createElement('div');
    const add = (text: string, style: Partial<CSSStyleDeclaration>) => {
      const one = Object.assign(document.createElement('p'), { textContent: text });
      Object.assign(one.style, { backgroundColor: '#fff', ...style });
      box.append(one);
    };
    // 4.48, 4.54 and 3.54 to 1 on white; half of black on white is a grey of 127: 4.00 to 1.
    add('grey', { color: '#777' });
    add('enough', { color: '#767676' });
    add('large', { color: '#888', fontSize: '24px' });
    add('half', { color: '#00000080' });
    add('on dark', { color: '#555', backgroundColor: '#222' });
    document.querySelector('main')!.append(box);
  });
  expect((await faintTexts(page)).map((one) => one.replace(/<p[^>]*>/, ''))).toEqual([
    '4.48 to 1: grey</p>',
    '4.00 to 1: half</p>',
    '2.13 to 1: on dark</p>',
  ]);
});

test('a first visit follows the system’s theme; the button changes it', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/parts');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.getByRole('button', { name: /^Theme/ }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
});
