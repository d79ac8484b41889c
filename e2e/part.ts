import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { lampArm } from '@anvilstone/core/education/sample';
import type { Brief, Part } from '@anvilstone/schema';

/** Makes a part through the API: for tests whose subject is not the making. */
export async function makePart(request: APIRequestContext, change: Partial<Brief> = {}): Promise<Part> {
  const response = await request.post('/api/v1/parts', {
    data: { brief: { ...lampArm, title: 'An arm made by a test', ...change } },
  });
  expect(response.status()).toBe(201);
  return (await response.json()) as Part;
}

export async function readPart(request: APIRequestContext, id: string): Promise<Part> {
  return (await (await request.get(`/api/v1/parts/${id}`)).json()) as Part;
}

/** How many grades the readout says still stand after the last ask. */
export async function remaining(page: Page): Promise<number> {
  const last = page.getByRole('list', { name: 'Remaining grades after each requirement' }).getByRole('listitem').last();
  return Number((await last.innerText()).split('\n').at(-1));
}

/** The same once two looks, half a second apart, see the same count: edits before it may still be worked out. */
export async function settledRemaining(page: Page): Promise<number> {
  let last = -1;
  await expect
    .poll(
      async () => {
        const now = await remaining(page);
        const same = now === last;
        last = now;
        return same;
      },
      { intervals: [500] },
    )
    .toBe(true);
  return last;
}

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

/** Narrows the shortlist down to a grade, as one does in a library of thousands, and gives its row. */
export async function shortlistRow(page: Page, name: string): Promise<Locator> {
  await page.getByLabel('Find', { exact: true }).fill(name);
  await expect(page).toHaveURL(({ searchParams }) => searchParams.get('find') === name);
  // A row that is pressed while the list still closes up is let go of on another one.
  let seen = '';
  const stands = async () => {
    const before = seen;
    seen = (await page.getByRole('row').allInnerTexts()).join('\n');
    return seen === before;
  };
  await expect.poll(stands, { intervals: [120] }).toBe(true);
  return page.getByRole('row', { name: new RegExp(name.replace(/[&().]/g, '.')) });
}
