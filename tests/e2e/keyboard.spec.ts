import type { Page } from '@playwright/test';
import { account, begin, expect, test, watch } from './desk';

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
  await expect(page.getByText('Revision 1 is ready to hand over')).toBeVisible();
  await context.close();
});

test('keys that work wherever the focus is: undo, steps, sections; a line copied as it is typed; the sheet of keys knows the place', async ({
  page,
}) => {
  await begin(page, `Keys ${Date.now() % 100_000}`);
  for (const typed of ['12 joist hanger', '4 footing, 12 in']) {
    await page.keyboard.type(typed, { delay: 30 });
    await expect(page.getByRole('option').first()).toBeVisible();
    await page.keyboard.press('Enter');
  }
  const rows = page.locator('tr.row');
  await expect(rows).toHaveCount(2);
  // Typed and copied in one go, before anything of it was taken: the copy has what was typed.
  const quantity = rows.first().locator('[data-cell=quantity]');
  await quantity.click();
  await page.keyboard.type('19', { delay: 30 });
  await page.keyboard.press('Alt+c');
  await expect(rows).toHaveCount(3);
  await expect(rows.nth(1).locator('[data-cell=quantity]')).toHaveValue('19');
  await expect(rows.nth(1).locator('[data-cell=description]')).toBeFocused();
  // Undone and done again from nowhere in particular.
  await page.locator('.tally-total').click();
  await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(2);
  await page.keyboard.press('Control+y');
  await expect(rows).toHaveCount(3);

  await page.keyboard.press('Alt+s');
  await page.keyboard.type('Stairs');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Control+ArrowUp');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('Porch');
  await page.keyboard.press('Control+ArrowDown');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('Stairs');

  const step = page.locator('[aria-current=step]');
  await page.keyboard.press('Alt+PageDown');
  await expect(step).toHaveText(/Choices/);
  await page.keyboard.press('Alt+PageDown');
  await expect(step).toHaveText(/Price/);
  await page.locator('.tally-total').click();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  await expect(keys.getByRole('heading')).toHaveText(['In cells', 'In a proposal', 'Everywhere']);
  await page.keyboard.press('Escape');
  await expect(keys).toHaveCount(0);
  await page.keyboard.press('Alt+PageUp');
  await expect(step).toHaveText(/Choices/);

  await page.goto('/library');
  await page.waitForLoadState('networkidle');
  await page.keyboard.press('/');
  await expect(page.getByLabel('Find in library')).toBeFocused();
  await page.keyboard.type('joist', { delay: 30 });
  await page.waitForURL('**/library?search=joist');
});
