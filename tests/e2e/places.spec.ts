import { expect, linkTo, newestLink, saved, test } from './desk';

test('customers: found by any word, changed, and given another site', async ({ page }) => {
  await page.goto('/customers');
  await page.getByPlaceholder('Find by name, contact, email, phone, address').fill('withy');
  await expect(page.locator('tbody tr.ant-table-row')).toHaveCount(1);
  await page.getByRole('link', { name: 'Hollin Vasquell' }).click();
  await page.waitForURL('**/customers/*-*');
  await expect(page.getByText('Owes 3,991.29 USD')).toBeVisible();
  await page.getByRole('button', { name: 'Add a site' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Add site' }).click();
  // What is missing is said at its field, and nothing is stored.
  await expect(dialog.locator('.ant-form-item-explain-error').first()).toBeVisible();
  await dialog.getByLabel('Street and number').fill('12 Tanner Yard');
  await dialog.getByLabel('City').fill('Marrowby');
  await dialog.getByRole('button', { name: 'Add site' }).click();
  await expect(page.getByText('12 Tanner Yard, Marrowby').last()).toBeVisible();
  await page.reload();
  await expect(page.getByText('12 Tanner Yard, Marrowby').last()).toBeVisible();
  await page.getByRole('link', { name: 'New proposal' }).click();
  await expect(page.locator('.ant-select-content').first()).toContainText('Hollin Vasquell');
});

test('the library: searched, and downloaded as it is shown', async ({ page }) => {
  await page.goto('/library');
  await expect(page.getByText(/^\d+ items, \d+ bundles$/)).toBeVisible();
  await page.getByPlaceholder('Find by code, name, tag').fill('joist');
  await page.waitForURL('**/library?search=joist');
  await page.getByRole('combobox', { name: 'Kind' }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('Items', { exact: true }).click();
  await page.waitForURL('**/library?search=joist&kind=item');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Joist hanger with screws')).toBeVisible();
  const codes = await page.locator('.list-table tbody tr.ant-table-row td:nth-child(2)').allTextContents();
  expect(codes.length).toBeGreaterThan(1);
  expect(codes.length).toBeLessThan(12);
  const csv = await (await page.request.get('/api/v1/library.csv')).text();
  const rows = csv.trim().split('\r\n');
  expect(rows[0]).toMatch(/^code,name,detail,trade,unit,material,labour_hours,labour_rate/);
  for (const code of codes) expect(rows.some((row) => row.startsWith(`${code},`))).toBe(true);
});

test('price, discount and payments: each figure typed is followed at once by all the others', async ({
  page,
}) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Study under the roof' }).first().click();
  await page.waitForURL('**/proposals/*-*');
  const step = (name: string) => page.locator('.steps').getByRole('button', { name }).click();
  const total = page.getByTestId('total');
  const start = await total.textContent();

  const profit = page.getByLabel('Profit, percent');
  // A click before the page has woken up goes nowhere.
  await expect(async () => {
    await step('Price');
    await expect(profit).toBeVisible({ timeout: 2000 });
  }).toPass();
  const before = await profit.inputValue();
  await profit.fill('30');
  await profit.press('Enter');
  await expect(total).not.toHaveText(start!);
  await expect(page.locator('.tally')).toContainText('Profit 30');
  await profit.fill('a lot');
  await profit.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'cannot be read here' })).toBeVisible();
  await expect(profit).toHaveValue('30');
  const discount = page.getByLabel('Discount on the whole');
  await discount.fill('101%');
  await discount.press('Tab');
  await expect(page.getByText('This percentage goes from 0 to 100')).toBeVisible();
  await discount.fill('5%');
  await discount.press('Enter');
  const percent = await total.textContent();
  await page.getByRole('radiogroup').getByText('USD', { exact: true }).first().click();
  await expect(total).not.toHaveText(percent!);
  await expect(page.locator('.tally')).toContainText('−5.00');

  await step('Payments');
  await expect(page.locator('.step-table')).toBeVisible();
  const amounts = async () =>
    (await page.locator('.step-table tbody tr td.amount').allTextContents()).map((text) =>
      BigInt(text.replace(/[^0-9]/g, '')),
    );
  const sums = async () => {
    const all = await amounts();
    expect(all.slice(0, -1).reduce((sum, each) => sum + each, 0n)).toBe(all.at(-1));
    expect(all.at(-1)).toBe(BigInt((await total.textContent())!.replace(/[^0-9]/g, '')));
  };
  await sums();
  await page.getByRole('button', { name: 'Add a stage' }).click();
  await sums();
  await page.getByLabel('When New stage is due').click();
  await page.getByTitle('days after signing').click();
  await page.getByLabel('Days until New stage').fill('45');
  await page.getByLabel('Days until New stage').press('Enter');
  await page.getByLabel('Share of New stage').fill('70');
  await page.getByLabel('Share of New stage').press('Enter');
  // 10 + 35 + 35 + 70 is more than there is: said at once, and it cannot go out like this.
  await expect(page.getByText('Nothing is left for').first()).toBeVisible();
  await sums();
  await step('Send');
  await expect(page.getByText('To mend before sending')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Send proposal' })).toBeDisabled();

  // All of it is taken back, key by key, over the whole sitting.
  await step('Price');
  for (let i = 0; i < 12 && (await page.getByRole('button', { name: 'Undo' }).isEnabled()); i += 1)
    await page.getByRole('button', { name: 'Undo' }).click();
  await expect(total).toHaveText(start!);
  await expect(profit).toHaveValue(before);
  await saved(page);
  await page.reload();
  await expect(total).toHaveText(start!);
});

test('the preview offers what the customer is offered, in the same order', async ({ page, browser }) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Sunroom on the south side' }).first().click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  const id = /proposals\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const link = await linkTo(page, 'Sunroom on the south side');
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const customer = await context.newPage();
  await customer.goto(link);
  await page.goto(`/preview/${id}`);
  // The customer has chosen meanwhile; the preview shows the proposal as suggested: prices may differ, offers may not.
  const names = (of: typeof page) =>
    of.locator('.card-name, .leaf h2, .item > span:first-child').allInnerTexts();
  expect(await names(page)).toEqual(await names(customer));
  await context.close();
});

test('lines are dragged to another place, and the look that is chosen stays', async ({ page }) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  await page.waitForSelector('.sheet');
  const first = page.locator('tr.row').first();
  const name = await first.locator('[data-cell=description]').inputValue();
  await first.hover();
  const grip = (await first.locator('.grip').first().boundingBox())!;
  const target = (await page.locator('tr.row').nth(2).boundingBox())!;
  await page.mouse.move(grip.x + 5, grip.y + 8);
  await page.mouse.down();
  await page.mouse.move(grip.x + 8, grip.y + 30, { steps: 4 });
  await page.mouse.move(grip.x + 8, target.y + target.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(page.locator('tr.row').nth(2).locator('[data-cell=description]')).toHaveValue(name);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(first.locator('[data-cell=description]')).toHaveValue(name);
  await saved(page);

  await page.goto('/settings#about=you');
  await page.getByText('Dark', { exact: true }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.goto('/today');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.goto('/settings#about=you');
  await page.getByText('As the system', { exact: true }).click();
  await expect(page.locator('html')).not.toHaveAttribute('data-theme', 'dark');
});

test('what is pressed before the page has woken up is done when it has', async ({ page }) => {
  await page.route('**/_next/static/chunks/**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.goto('/settings#about=you', { waitUntil: 'commit' });
  await page.getByText('Light', { exact: true }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.goto('/settings#about=you');
  await page.getByText('As the system', { exact: true }).click();
  await expect(page.locator('html')).not.toHaveAttribute('data-theme', 'light');
});

test('a booklet can be read and printed before any script has run', async ({ page, browser }) => {
  const address = await newestLink(page);
  const context = await browser.newContext({
    javaScriptEnabled: false,
    storageState: { cookies: [], origins: [] },
    viewport: { width: 390, height: 844 },
  });
  const customer = await context.newPage();
  await customer.goto(address);
  await expect(customer.locator('h1')).toBeVisible();
  await expect(customer.getByText('What it comes to')).toBeVisible();
  await expect(customer.getByText('When you pay')).toBeVisible();
  await expect(customer.locator('.sums-total').last()).toContainText(/\d,\d{3}\.\d\d/);
  await context.close();
});
