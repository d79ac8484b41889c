import { expect, test as base, type BrowserContext, type Page } from '@playwright/test';
import { startWorkshop, type WorkshopServer } from './workshopServer.ts';

export { expect };

interface OfWorker {
  /** A server and a sample workshop of this worker’s own: nobody else changes them. */
  workshop: WorkshopServer;
  /** One browser profile a worker: what it has loaded and compiled once stays so. */
  warmContext: BrowserContext;
}

/** Tests on a server of their worker’s own, each in a browser profile of its own: for those whose subject is the profile, or several people. */
export const coldTest = base.extend<object, Pick<OfWorker, 'workshop'>>({
  workshop: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads from the pattern what a fixture needs
    async ({}, use) => {
      const workshop = await startWorkshop();
      await use(workshop);
      await workshop.close();
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  baseURL: ({ workshop }, use) => use(workshop.url),
});

/** The same in a profile that has the app loaded already, emptied of what the test before kept in it. */
export const test = coldTest.extend<object, Pick<OfWorker, 'warmContext'>>({
  warmContext: [
    async ({ browser, workshop }, use) => {
      const context = await browser.newContext({ baseURL: workshop.url, viewport: { width: 1280, height: 800 } });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ warmContext }, use) => {
    await use(warmContext);
    await emptied(warmContext);
  },
  page: async ({ context }, use) => {
    const page = await context.newPage();
    const load = page.goto.bind(page);
    // Within the app as its links do; what is to be loaded anew is reloaded.
    page.goto = async (address, options) => {
      const isOpen = address.startsWith('/') && (await page.evaluate(() => document.querySelector('#main') !== null));
      if (!isOpen) return load(address, options);
      await follow(page, address);
      return null;
    };
    await use(page);
  },
});

/** Goes where a link within the app would lead. */
export async function follow(page: Page, address: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, address);
}

/** As a profile is that has only loaded the app. */
async function emptied(context: BrowserContext): Promise<void> {
  await context.unrouteAll({ behavior: 'ignoreErrors' });
  await context.setOffline(false);
  await context.clearPermissions();
  await context.clearCookies();
  const [last, ...others] = context.pages();
  await Promise.all(others.map((page) => page.close()));
  if (!last) return;
  const { origin } = new URL(last.url());
  // Gone from the page first: it would write down what it holds as it goes.
  await last.goto('about:blank');
  const browser = await context.newCDPSession(last);
  if (origin !== 'null')
    await browser.send('Storage.clearDataForOrigin', { origin, storageTypes: 'local_storage,indexeddb' });
  await last.close();
}
