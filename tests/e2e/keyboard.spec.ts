import type { Page } from '@playwright/test';
import { account, expect, test, watch } from './desk';

/** Presses Tab until the focus is on what carries this name, as someone without a mouse would. */
async function tabTo(page: Page, name: RegExp, most = 40): Promise<void> {
  for (let i = 0; i < most; i += 1) {
    const here = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null;
      if (!at || at === document.body) return '';
      const label = (at as HTMLInputElement).labels?.[0]?.textContent ?? '';
      return [at.getAttribute('aria-label') ?? '', label, at.textContent ?? '', at.title].join('|');
    });
    if (name.test(here)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`Tab never came to ${name}`);
}

test('from sign-in to a sent proposal without a mouse', async ({ browser, troubles }) => {
  test.setTimeout(120_000);
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const page = await context.newPage();
  watch(page, troubles);
  const keys = page.keyboard;

  await page.goto('/');
  await page.waitForURL('**/sign-in');
  await expect(page.getByLabel('Email')).toBeFocused();
  await keys.type(account.email);
  await keys.press('Tab');
  await keys.type(account.password);
  await keys.press('Enter');
  await page.waitForURL('**/today');

  await tabTo(page, /New proposal/);
  await keys.press('Enter');
  await page.waitForURL('**/proposals/new');
  // The customer is asked for first: the field has the focus.
  await expect(page.getByRole('combobox').first()).toBeFocused();
  await keys.type('Brannock');
  await keys.press('Enter');
  await tabTo(page, /Title, as the customer reads it/);
  await keys.type('Steps by keyboard');
  await keys.press('Enter');
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await page.waitForSelector('#add-line');

  await keys.press('Alt+s');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('New section');
  await keys.type('Garden steps');
  await keys.press('Enter');
  for (const [typed, found] of [
    ['5 stair riser', 'Stair, one riser'],
    [`12' 6" handrail cedar`, 'Handrail, cedar'],
    ['2 stair light', 'Stair light'],
  ] as const) {
    await keys.type(typed);
    await expect(page.getByRole('option').first()).toContainText(found);
    await keys.press('Enter');
    await expect(page.locator('#add-line')).toHaveValue('');
  }
  // Up into the sheet, one row up: the handrail; a quantity over the old one, then the last line an extra.
  await keys.press('ArrowUp');
  await expect(page.getByLabel('Quantity of Stair light, built in')).toBeFocused();
  await keys.press('Alt+x');
  await expect(page.getByText('extra, out')).toBeVisible();
  await keys.press('ArrowUp');
  await keys.type('8+6');
  await keys.press('Enter');
  await expect(page.getByLabel('Quantity of Handrail, cedar')).toHaveValue('14');
  await expect(page.getByText('All changes saved')).toBeVisible();

  await keys.press('Control+Enter');
  await expect(page.frameLocator('iframe').getByTestId('booklet-total')).toBeVisible();
  await tabTo(page, /Send proposal/, 60);
  await keys.press('Enter');
  await expect(page.getByText('Revision 1 is on its way')).toBeVisible();
  await context.close();
});
