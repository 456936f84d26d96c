import type { Page } from '@playwright/test';
import { begin, expect, saved, test } from './desk';

/** A proposal of one's own, by way of a customer added on the spot; its site is picked by itself. */
async function ownProposal(page: Page, title: string): Promise<void> {
  await page.goto('/proposals/new');
  await page.getByRole('button', { name: 'New customer' }).click();
  await page.getByLabel('Name', { exact: true }).fill(`Odo Marsh ${Date.now().toString(36)}`);
  await page.getByLabel('Street and number').fill('3 Fen Causeway');
  await page.getByLabel('City').fill('Marrowby');
  await page.getByRole('button', { name: 'Add customer' }).click();
  await expect(page.getByTitle('3 Fen Causeway, Marrowby', { exact: true })).toBeVisible();
  await page.getByLabel('Title, as the customer reads it').fill(title);
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await page.waitForSelector('#add-line');
}

async function addLine(page: Page, typed: string, expected: string): Promise<void> {
  await page.keyboard.press('/');
  await page.keyboard.type(typed);
  await expect(page.getByRole('option').first()).toContainText(expected);
  await page.keyboard.press('Enter');
}

test('a section and its lines by keyboard, and nothing lost by leaving at once', async ({ page }) => {
  await ownProposal(page, 'Leaving at once');
  await page.keyboard.press('Alt+s');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('New section');
  await page.keyboard.type('Garden steps');
  await page.keyboard.press('Enter');
  await expect(page.locator('#add-line')).toBeFocused();
  await page.keyboard.type('4 handrail');
  await expect(page.getByRole('option').first()).toContainText('Handrail, cedar');
  await page.keyboard.press('Enter');
  await expect(page.locator('tr.row')).toHaveCount(1);
  // Off to another place in the same breath, and back.
  await page.getByRole('link', { name: 'Customers' }).click();
  await page.waitForURL('**/customers');
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Leaving at once' }).first().click();
  await page.waitForURL('**/proposals/*-*');
  await expect(page.getByLabel('Quantity of Handrail, cedar')).toHaveValue('4');
  await expect(page.locator('.outline-section')).toContainText(['Work', 'Garden steps']);
});

test('what the server did not answer is kept, said, and saved once it answers', async ({ page }) => {
  await ownProposal(page, 'Without an answer');
  await addLine(page, '6 footing 12', 'Footing, 12 in round');
  await saved(page);
  // The change arrives, its answer does not; then nothing arrives at all.
  let mode: 'lose answer' | 'refuse' | 'open' = 'lose answer';
  await page.route(/proposals\/[0-9a-f-]{36}/, async (route) => {
    if (route.request().method() !== 'POST' || mode === 'open') return route.continue();
    if (mode === 'lose answer') {
      await route.fetch();
      mode = 'refuse';
    }
    return route.abort();
  });
  const quantity = page.getByLabel('Quantity of Footing, 12 in round');
  await quantity.fill('8');
  await quantity.press('Enter');
  await expect(page.getByText('The server does not answer')).toBeVisible();
  await quantity.fill('9');
  await quantity.press('Enter');
  mode = 'open';
  await expect(page.getByText('All changes saved')).toBeVisible({ timeout: 15_000 });
  const total = await page.getByTestId('total').textContent();
  await page.reload();
  await expect(quantity).toHaveValue('9');
  await expect(page.getByTestId('total')).toHaveText(total!);
});

test('two people in one proposal: what does not touch goes together, what does is asked', async ({
  page,
  browser,
  signedIn,
}) => {
  await ownProposal(page, 'Two at once');
  await addLine(page, '6 footing 12', 'Footing, 12 in round');
  await addLine(page, '12 joist', 'Joist 2×8');
  await saved(page);
  const other = await browser.newContext({ storageState: signedIn });
  const second = await other.newPage();
  // It hears of the other only when it saves, however long that takes here.
  await second.route('**/changes?*', (route) => route.abort());
  await second.goto(page.url());
  await second.waitForSelector('#add-line');

  const mine = page.getByLabel('Quantity of Footing, 12 in round');
  await mine.fill('7');
  await mine.press('Enter');
  await saved(page);
  const theirs = second.getByLabel('Quantity of Joist 2×8');
  await theirs.fill('14');
  await theirs.press('Enter');
  await saved(second);
  await expect(second.getByLabel('Quantity of Footing, 12 in round')).toHaveValue('7');

  await mine.fill('5');
  await mine.press('Enter');
  await saved(page);
  await expect(page.getByLabel('Quantity of Joist 2×8')).toHaveValue('14');
  const clash = second.getByLabel('Quantity of Footing, 12 in round');
  await clash.fill('3');
  await clash.press('Enter');
  await expect(second.getByText('touch the same place')).toBeVisible();
  await second.getByRole('button', { name: 'Put mine over theirs' }).click();
  await saved(second);
  await page.reload();
  await expect(mine).toHaveValue('3');
  await expect(page.getByLabel('Quantity of Joist 2×8')).toHaveValue('14');
  await other.close();
});

test('the office reads a proposal and records money; it is not offered what it may not do', async ({
  browser,
}) => {
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill('jory@quillbank.example');
  await page.getByLabel('Password').fill('ledger-thimble-3');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/today');
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Study under the roof' }).first().click();
  await page.waitForURL('**/proposals/*-*');
  await expect(page.getByText('To read only')).toBeVisible();
  await expect(page.locator('#add-line')).toHaveCount(0);
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Attic room for the twins' }).click();
  await page.waitForURL('**/agreements/*-*');
  await expect(page.getByRole('button', { name: 'Record payment' }).first()).toBeVisible();
  await context.close();
});

test('after a step the page is read anew, never loaded anew: what was just said stays', async ({ page }) => {
  await begin(page, 'Read anew once');
  await page.locator('#add-line').fill('10 handrail cedar');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.locator('#add-line').press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await expect(page).toHaveURL(/#step=send$/);
  await expect(page.frameLocator('iframe').getByRole('heading').first()).toBeVisible();
  const loaded: string[] = [];
  const reread: string[] = [];
  page.on('request', (request) => {
    if (request.resourceType() === 'document' && request.frame() === page.mainFrame())
      loaded.push(request.url());
    if (request.headers().rsc) reread.push(request.url());
  });
  // Held back, so that the next comes before the answer of the one before.
  await page.route(/_rsc=/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Send proposal' }).click();
  const link = page.getByRole('button', { name: 'Show the private link' });
  await expect(link).toBeVisible();
  await page.getByRole('button', { name: 'Stop the links' }).click();
  await page.getByRole('dialog').getByRole('button', { name: /Stop/ }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByText(/No link to it works any more/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Stop the links' })).toHaveCount(0);
  // What was said stays; the link that does not work is not offered.
  await expect(page.getByText('Revision 1 is ready to hand over.')).toBeVisible();
  await expect(link).toHaveCount(0);
  expect(loaded).toEqual([]);
  // Once for each act, and once more where the page hears of it by itself before the answer is there.
  expect(reread.length).toBeLessThanOrEqual(4);
});

test('a step’s address leads to it, also as it was written before; Back leads to the step before', async ({
  page,
}) => {
  await begin(page, 'Steps have addresses');
  const path = new URL(page.url()).pathname;
  const current = page.locator('.step-name[aria-current=step]');
  await page.goto(`${path}?step=price`);
  await expect(page).toHaveURL(`${path}#step=price`);
  await expect(current).toHaveText(/^Price/);
  await page.reload();
  await expect(current).toHaveText(/^Price/);
  await page.getByRole('button', { name: 'Wording' }).click();
  await expect(page).toHaveURL(/#step=wording$/);
  await page.goBack();
  await expect(current).toHaveText(/^Price/);
  await page.goto('/settings?about=late');
  await expect(page).toHaveURL('/settings#about=late');
  await expect(page.getByRole('heading', { name: 'Late payments' })).toBeVisible();
  // Found by its words from within: the same page, another subject.
  await page.keyboard.press('Control+k');
  await page.getByRole('dialog').getByRole('combobox').fill('settings people');
  await expect(page.getByRole('option').first()).toContainText('people');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
});

test('begun for a customer added on the spot, nothing of it waits for the next proposal', async ({
  page,
}) => {
  await ownProposal(page, 'For someone new');
  await page.goto('/proposals/new');
  await expect(page.getByRole('button', { name: 'Start proposal' })).toBeVisible();
  await page.waitForTimeout(500);
  await expect(page.getByText('What you typed here before is back.')).toHaveCount(0);
  await expect(page.getByLabel('Title, as the customer reads it')).toHaveValue('');
});
