import { expect, serious, test } from './desk';
import { invited, joins, newcomer, unique } from './newcomer';

test('help with the page one is on, beside it; found by its words; the whole guide', async ({ page }) => {
  await page.goto('/today');
  await page.waitForLoadState('networkidle');
  await page.keyboard.press('F1');
  const beside = page.getByRole('dialog', { name: 'Today' });
  await expect(beside.getByText('What wants doing:')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(beside).toBeHidden();

  await page.goto('/settings#about=people');
  await page.waitForLoadState('networkidle');
  await page.getByRole('button', { name: 'Help' }).click();
  await expect(page.getByRole('dialog', { name: 'People and roles' })).toBeVisible();
  await page.keyboard.press('Escape');

  // What is typed on stays: help does not lead away from a page.
  await page.goto('/proposals/new');
  await page.waitForLoadState('networkidle');
  await page.getByLabel('Title, as the customer reads it').fill('A porch in work');
  await page.keyboard.press('F1');
  await expect(page.getByRole('dialog', { name: 'Beginning a proposal' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Title, as the customer reads it')).toHaveValue('A porch in work');

  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Find anything' }).pressSequentially('credit note help');
  await page.getByRole('option', { name: 'Writing an invoice' }).click();
  await expect(page.getByRole('heading', { name: 'Writing an invoice', level: 1 })).toBeVisible();
  await page.getByRole('link', { name: 'all of the guide' }).click();
  await expect(page.getByRole('heading', { name: 'For who builds' })).toBeVisible();
});

test('who is new reads a hint on a screen until they put it away, over slow answers too; all of them at once', async ({
  page,
  browser,
}) => {
  const link = await invited(page, unique(), 'New Here', 'Seller');
  const { context, page: theirs } = await newcomer(browser);
  await joins(theirs, link);
  const hint = theirs.getByRole('complementary', { name: 'Hint' });
  await expect(hint).toContainText('Today shows what waits for you');
  await theirs.route('**/today', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    return route.continue();
  });
  const kept = theirs.waitForResponse((answer) => answer.request().method() === 'POST');
  await hint.getByRole('button', { name: 'Put away' }).click();
  // It is gone before the server answers.
  await expect(hint).toBeHidden({ timeout: 1500 });
  await kept;
  await theirs.reload();
  await expect(theirs.getByRole('heading', { name: /Good day/ })).toBeVisible();
  await expect(hint).toBeHidden();
  // Another screen has its own; what it says more of is the page of the guide.
  await theirs.goto('/customers');
  await expect(hint).toContainText('A customer has people');
  expect(await serious(theirs)).toEqual([]);
  await hint.getByRole('button', { name: 'More', exact: true }).click();
  await expect(theirs.getByRole('dialog')).toContainText('Customers');
  await theirs.keyboard.press('Escape');
  const all = theirs.waitForResponse((answer) => answer.request().method() === 'POST');
  await hint.getByRole('button', { name: 'No more hints' }).click();
  await all;
  await theirs.goto('/proposals/new');
  await expect(theirs.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(hint).toBeHidden();
  await context.close();
});
