import type { Page } from '@playwright/test';
import { cents, expect, saved, test } from './desk';
import { invited, joins, newcomer, unique } from './newcomer';

const ROLE = 'Seller without cost';

/** A role that writes proposals and does not see cost: made once, there from then on. */
async function makeRole(page: Page): Promise<void> {
  await page.goto('/settings#about=people');
  const roles = page
    .getByRole('region', { name: 'Roles' })
    .or(page.locator('.people-part', { hasText: 'Roles' }));
  await expect(roles.getByText('Owner', { exact: true }).first()).toBeVisible();
  if ((await roles.getByText(ROLE).count()) > 0) return;
  await page.getByRole('button', { name: 'New role' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill(ROLE);
  for (const name of ['See everybody’s work', 'Write proposals', 'Send without approval'])
    await dialog.getByRole('checkbox', { name: new RegExp(`^${name}`) }).check();
  // Writing needs prices and nothing more.
  await expect(dialog.getByRole('checkbox', { name: /^See prices/ })).toBeChecked();
  await expect(dialog.getByRole('checkbox', { name: /^See cost and margin/ })).not.toBeChecked();
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();
}

/** A proposal of the demo to work on: a copy, so that nothing else changes. */
async function copyOf(page: Page, title: string): Promise<string> {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  const from = /proposals\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  await page.goto(`/proposals/new?from=${from}`);
  // The page has woken up once it says what it copies.
  await expect(page.getByLabel('Title, as the customer reads it')).not.toHaveValue('');
  await page.getByRole('combobox').first().fill('Tillotsen');
  await page.keyboard.press('Enter');
  await page.getByLabel('Title, as the customer reads it').fill(title);
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL(
    (url) => /proposals\/[0-9a-f-]{36}/.test(url.pathname) && !url.pathname.includes(from),
  );
  await expect(page.getByTestId('total')).toBeVisible();
  return new URL(page.url()).pathname;
}

const total = async (page: Page) => cents(await page.getByTestId('total').innerText());

test('who sees no cost writes a proposal by its prices, and reads the sums the owner reads', async ({
  page,
  browser,
}) => {
  await makeRole(page);
  const link = await invited(page, unique(), 'Sedge Amory', ROLE);
  const path = await copyOf(page, `By its prices ${Date.now().toString(36)}`);
  const whole = await total(page);
  const { context, page: theirs } = await newcomer(browser);
  await joins(theirs, link);
  await theirs.goto(path);
  await expect(theirs.getByTestId('total')).toBeVisible();
  expect(await total(theirs)).toBe(whole);

  // No step says a word of it.
  for (const step of ['Scope', 'Choices', 'Price', 'Payments', 'Wording', 'Send']) {
    await theirs.goto(`${path}#step=${step.toLowerCase()}`);
    await expect(
      theirs.getByRole('navigation', { name: /steps/i }).or(theirs.locator('.steps')),
    ).toBeVisible();
    // That the customer never reads it may be said.
    const said = (await theirs.locator('.editor').innerText()).replace('Never cost or margin.', '');
    expect(said.match(/.*(margin|markup|\boverhead\b|\bcosts?\b(?! code)).*/gi) ?? []).toEqual([]);
  }
  expect(await theirs.content()).not.toMatch(/"(costs|loads)":\[\{/);

  // A line of the library: what it comes to is computed where the costs are, and says so until it is there.
  await theirs.goto(path);
  await theirs.waitForSelector('#add-line');
  let hold = true;
  await theirs.route(/proposals\/[0-9a-f-]{36}/, async (route) => {
    if (hold && route.request().method() === 'POST') await new Promise((done) => setTimeout(done, 2000));
    await route.continue();
  });
  await theirs.keyboard.press('/');
  await theirs.keyboard.type('40 handrail', { delay: 30 });
  await expect(theirs.getByRole('option').first()).toContainText('Handrail, cedar');
  await expect(theirs.getByRole('option').first()).not.toContainText(/\d\.\d\d/);
  await theirs.keyboard.press('Enter');
  await expect(theirs.getByText('One price is still to come and not in this sum.')).toBeVisible();
  expect(await total(theirs)).toBe(whole);
  await expect(theirs.getByText('One price is still to come and not in this sum.')).toHaveCount(0);
  await saved(theirs);
  hold = false;
  const more = await total(theirs);
  expect(more).toBeGreaterThan(whole);

  // Taken out and undone, it costs what it cost.
  await theirs.getByLabel('Quantity of Handrail, cedar').last().focus();
  await theirs.keyboard.press('Control+Delete');
  await expect.poll(() => total(theirs)).toBe(whole);
  await saved(theirs);
  await theirs.keyboard.press('Control+z');
  await expect.poll(() => total(theirs)).toBe(more);
  await saved(theirs);
  await theirs.reload();
  await expect(theirs.getByTestId('total')).toBeVisible();
  expect(await total(theirs)).toBe(more);

  // The owner reads the same, with everything of cost there still.
  await page.goto(path);
  await expect(page.getByTestId('total')).toBeVisible();
  await expect.poll(() => total(page)).toBe(more);
  await expect(page.getByRole('complementary', { name: 'Tally' })).toContainText('Margin');
  await context.close();
});
