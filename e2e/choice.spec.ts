import type { Locator, Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { gaugeBeam, lampArm } from '@anvilstone/core/education/sample';
import type { Brief } from '@anvilstone/schema';
import { makePart } from './part.ts';

/** How a person gets at something: with the pointer, or with Tab, arrows and Enter alone. */
interface Hand {
  press(target: Locator): Promise<void>;
  /** Goes to the next one of a group of radio buttons, of which one is chosen already. */
  nextOf(page: Page, group: Locator, wanted: string): Promise<void>;
  write(target: Locator, text: string): Promise<void>;
}

const MOST_TABS = 400;

async function tabTo(target: Locator): Promise<void> {
  const page = target.page();
  await expect(target).toBeVisible();
  for (let i = 0; i < MOST_TABS; i++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab never came to ${String(target)}`);
}

const hands: Record<'mouse' | 'keyboard', Hand> = {
  mouse: {
    press: (target) => target.click(),
    nextOf: (_page, group, wanted) => group.getByRole('radio', { name: new RegExp(wanted) }).click(),
    write: async (target, text) => {
      await target.click();
      await target.fill(text);
    },
  },
  keyboard: {
    press: async (target) => {
      await tabTo(target);
      await target.page().keyboard.press('Enter');
    },
    nextOf: async (page, group, wanted) => {
      await tabTo(group.getByRole('radio', { checked: true }));
      // Held as long as a finger holds it.
      await page.keyboard.press('ArrowRight', { delay: 60 });
      await expect(group.getByRole('radio', { name: new RegExp(wanted) })).toBeChecked();
    },
    write: async (target, text) => {
      await tabTo(target);
      await target.page().keyboard.insertText(text);
    },
  },
};

const parts: [name: string, brief: Brief, by: keyof typeof hands, leader: string][] = [
  ['the lamp arm', lampArm, 'mouse', 'Tarrowmill PETG Clearway'],
  ['the gauge beam', gaugeBeam, 'keyboard', ''],
];

for (const [name, brief, by, expected] of parts)
  test(`the full choice for ${name}, by ${by} only`, async ({ page, request }) => {
    const hand = hands[by];
    test.slow();
    const part = await makePart(request, { ...brief, title: `Choice of ${name} by ${by}`, failureCouldHurt: 'no' });
    await page.goto(`/parts/${part.id}/brief`);
    // What survives.
    await hand.press(page.getByRole('link', { name: /^2 ?Shortlist/ }));
    const table = page.getByRole('region', { name: 'Reserves' });
    const first = table
      .getByRole('row')
      .filter({ has: page.getByRole('button', { name: /^Pin / }) })
      .first();
    await expect(first).toContainText(/passes|fails|\d\.\d\d/);
    const cheapest = (await first.getByRole('button').nth(1).innerText()).trim();
    if (expected !== '') expect(cheapest).toBe(expected);

    // Another way to choose: who leads then, and what moved.
    const rankingMethods = page.getByRole('radiogroup', { name: 'Ranked by' });
    await hand.nextOf(page, rankingMethods, 'Highest minimum reserve');
    await expect(page.getByText(/Against “lowest cost”, (one place|\d+ places) changed/)).toBeVisible();
    const strongest = (await first.getByRole('button').nth(1).innerText()).trim();
    await expect(rankingMethods.getByRole('radio', { name: /Highest minimum reserve/ })).toContainText(strongest);

    // Those two side by side, and what the dearer one buys.
    await hand.press(page.getByRole('link', { name: 'Compare top candidates' }));
    const sideBySide = page.getByRole('region', { name: 'Side by side' });
    await expect(sideBySide.getByRole('columnheader', { name: cheapest })).toBeVisible();
    await expect(page.getByRole('region', { name: 'Summary' })).toContainText(`${strongest}, built`);
    await expect(page.getByText('Modulus over temperature', { exact: true })).toBeVisible();
    await expect(page.getByRole('region', { name: 'What the more expensive one adds' })).toContainText('USD more');
    const changes = page.getByRole('region', { name: 'Sensitivity of the choice' });
    await expect(changes.getByRole('row').nth(3)).toBeVisible();

    // A number leads to its working, and back.
    await hand.press(
      sideBySide.getByRole('link', { name: new RegExp(`^${escaped(cheapest)}, .*governs.*Show working`) }),
    );
    await expect(page.getByRole('dialog', { name: cheapest })).toBeVisible();
    await page.goBack();

    // Decide.
    await hand.press(sideBySide.getByRole('link', { name: `Choose ${cheapest}` }));
    await hand.write(page.getByLabel('Reason for this choice'), 'The lowest cost, with reserve enough.');
    await hand.write(page.getByLabel('Decided by'), 'A. Tester');
    const risk = page.getByRole('button', { name: /^\+ / });
    if ((await risk.count()) > 0) await hand.press(risk.first());
    await hand.press(page.getByRole('button', { name: 'Freeze the decision' }));
    await expect(
      page
        .getByRole('article', { name: /^Decision \d+$/ })
        .getByRole('heading', { name: new RegExp(`^${escaped(cheapest)}, built`) }),
    ).toBeVisible();
  });

function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\&]/g, '.');
}
