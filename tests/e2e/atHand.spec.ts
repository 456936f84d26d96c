import { cents, expect, saved, serious, shownLink, test, tick } from './desk';

test('a note marked as an alert is there before work starts: when the customer is picked, in the editor; never in the booklet', async ({
  page,
}) => {
  const name = `Wasp ${Date.now()}`;
  await page.goto('/customers');
  await page.getByRole('button', { name: 'New customer' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name', { exact: true }).fill(name);
  await form.getByLabel('Street').fill('7 Hive Lane');
  await form.getByLabel('City').fill('Marrowby');
  await form.getByLabel('Email').fill('wasp@example.example');
  await form.getByLabel('Only for us, never shown to the customer').fill('Wasps under the eaves');
  await tick(form.getByRole('checkbox', { name: 'Show this note to us before work starts' }));
  await form.getByRole('button', { name: 'Add customer' }).click();
  await expect(form).toHaveCount(0);

  await page.goto('/proposals/new');
  const notice = page.getByRole('note', { name: 'Only for us' });
  await expect(notice).toHaveCount(0);
  await page.getByRole('combobox').first().pressSequentially(name, { delay: 30 });
  await page.keyboard.press('Enter');
  await expect(notice).toContainText('Wasps under the eaves');
  await page.getByLabel('Title, as the customer reads it').fill('Porch for the hive');
  await page.keyboard.press('Enter');
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await expect(notice).toContainText('Wasps under the eaves');
  await page.waitForSelector('#add-line');
  await page.keyboard.press('Alt+s');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('New section');
  await page.keyboard.type('Porch');
  await page.keyboard.press('Enter');
  await expect(page.locator('#add-line')).toBeFocused();
  await page.keyboard.type('10 handrail cedar');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  const link = await shownLink(page);
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Porch for the hive' })).toBeVisible();
  expect(await page.content()).not.toContain('Wasps');
});

test('an agreement says who sold it, who changed it last and what was sent to whom; money owed is said at its head and on the bill', async ({
  page,
}) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Sunroom for the corner house' }).click();
  await page.waitForURL(/agreements\/[0-9a-f-]{36}/);
  const panel = page.locator('.panel').filter({ hasText: 'Sold and sent' });
  await expect(panel).toContainText('Linnet Farrow');
  await expect(panel.getByRole('listitem').first()).toContainText('@');
  const notice = page.getByRole('note', { name: 'Only for us' });
  await expect(notice).toContainText('overdue');
  await page.goto(`${page.url()}/bill`);
  await expect(notice).toContainText('overdue');
});

test('whom it is for is found while typing, by a quick hand and over slow answers; that there are more is said', async ({
  page,
}) => {
  let held = 2000;
  let more = false;
  await page.route('**/api/desk/customers?*', async (route) => {
    await new Promise((go) => setTimeout(go, held));
    const answer = await route.fetch();
    const offered = (await answer.json()) as { found: unknown[] };
    await route.fulfill({ response: answer, json: { ...offered, more } });
  });
  await page.goto('/proposals/new');
  const field = page.getByRole('combobox').first();
  const offered = page.locator('.ant-select-dropdown:visible .ant-select-item-option');
  await field.pressSequentially('vasq', { delay: 30 });
  await page.keyboard.press('Enter');
  await expect(page.locator('.ant-select-content').first()).toContainText('Hollin Vasquell');
  await expect(page.getByTitle('88 Old Kiln Road, Marrowby', { exact: true })).toBeVisible();
  // What was typed has gone from the field, and narrows it no longer.
  await field.click();
  await expect(offered.nth(3)).toBeVisible();
  held = 0;
  more = true;
  await field.pressSequentially('brannock', { delay: 30 });
  await expect(offered).toHaveText([
    /^Odalie Brannock/,
    'There are more customers: type more of the name.',
    'New customer “brannock”',
  ]);
  await page.keyboard.press('Enter');
  await expect(page.locator('.ant-select-content').first()).toContainText('Odalie Brannock');
  await field.pressSequentially('nobody at all', { delay: 30 });
  more = false;
  await expect(offered).toHaveText(['New customer “nobody at all”']);
  await page.keyboard.press('Escape');
  // One that is not among those offered first is named all the same, as it is after a reload.
  await page.getByLabel('Title, as the customer reads it').fill('Kept in mid-typing');
  await page.waitForTimeout(600);
  await page.reload();
  await expect(page.locator('.ant-select-content').first()).toContainText('Odalie Brannock');
});

test('a trade of the library is given in lots; more is asked for, and what is not shown is said', async ({
  page,
}) => {
  await page.route('**/api/desk/library/trades?*', async (route) => {
    const answer = await route.fetch();
    const { found, all } = (await answer.json()) as { found: unknown[]; all: { items: number } };
    const rest = new URL(route.request().url()).searchParams.has('after');
    await route.fulfill({
      response: answer,
      json: { found: rest ? found : found.slice(0, -2), all },
    });
  });
  await page.goto('/library?view=trades');
  await page.getByRole('button', { name: /^Frame/ }).click();
  await expect(page.getByText('2 more in this trade.')).toBeVisible();
  const cards = page.locator('.trade-card');
  const before = await cards.count();
  await page.getByRole('button', { name: 'Show more' }).click();
  await expect(page.getByText(/more in this trade/)).toHaveCount(0);
  await expect(cards).toHaveCount(before + 2);
});

test('sales tax of a period: by component, its sums add up, as files; another period stands in the address', async ({
  page,
}) => {
  await page.goto('/reports');
  await page.getByRole('link', { name: 'Sales tax' }).click();
  await page
    .getByRole('link', { name: /^\d{4}$/ })
    .first()
    .click();
  const table = page.getByRole('table', { name: 'Sales tax' });
  await expect(table).toBeVisible();
  await expect(page).toHaveURL(/from=\d{4}-01-01&to=\d{4}-12-31/);
  for (const column of [3, 4]) {
    const rows = await table.locator(`tbody tr.ant-table-row td:nth-child(${column + 1})`).allTextContents();
    const [sum] = await table.locator(`tfoot td:nth-child(${column + 1})`).allTextContents();
    expect(rows.reduce((all, text) => all + cents(text), 0n)).toBe(cents(sum!));
    expect(cents(sum!)).toBeGreaterThan(0n);
  }
  expect(await serious(page)).toEqual([]);
  const csv = await page.request.get(
    (await page.getByRole('link', { name: 'As CSV' }).getAttribute('href'))!,
  );
  expect(await csv.text()).toContain('Tax,Percent,Net that bears it,Tax invoiced,Tax collected');
  const xlsx = await page.request.get(
    (await page.getByRole('link', { name: 'As XLSX' }).getAttribute('href'))!,
  );
  expect((await xlsx.body()).subarray(0, 2).toString()).toBe('PK');
});

test('several people of a customer: typed fast, kept over a reload, invoices go to whom they are for', async ({
  page,
}) => {
  await page.goto('/customers');
  await page.getByRole('button', { name: 'New customer' }).click();
  const form = page.getByRole('dialog');
  const name = `Hall of ${Date.now()}`;
  await form.getByLabel('Name', { exact: true }).fill(name);
  await form.getByLabel('Street').fill('3 Green');
  await form.getByLabel('City').fill('Marrowby');
  await form.getByLabel('Email', { exact: true }).fill('hall@post.example');
  await form.getByRole('button', { name: 'Add a person' }).click();
  // The new row has the focus.
  await page.keyboard.type('Corin Vale', { delay: 30 });
  await page.keyboard.press('Tab');
  await page.keyboard.type('Treasurer', { delay: 30 });
  await tick(form.getByRole('checkbox', { name: 'gets invoices' }));
  await form.getByRole('button', { name: 'Add customer' }).click();
  await expect(form.getByText('Corin Vale gets letters, but where?')).toBeVisible();
  await form.getByLabel('Email of Corin Vale').fill('corin');
  await expect(form.getByText('“corin” is not an email address.')).toBeVisible();
  await form.getByLabel('Email of Corin Vale').fill('corin@post.example');
  await form.getByRole('button', { name: 'Add a person' }).click();
  await form.getByLabel('Name of person 2').fill('Maud');
  expect(await serious(page)).toEqual([]);
  await form.getByRole('button', { name: 'Add customer' }).click();
  await page.waitForURL('**/customers/*-*');
  await expect(page.getByText('gets invoices')).toBeVisible();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await form.getByRole('button', { name: 'Remove Maud' }).click();
  await form.getByLabel('Role of Corin Vale').fill('Bookkeeper');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form).toHaveCount(0);
  await page.reload();
  await expect(page.getByText('Corin Vale · Bookkeeper')).toBeVisible();
  await expect(page.getByText('Maud')).toHaveCount(0);
  await page.goto('/customers?search=bookkeeper');
  await expect(page.getByRole('link', { name })).toBeVisible();
});

test('reports on money: narrowed fast over slow answers, sorted, their sums those of their rows, the file the table', async ({
  page,
}) => {
  await page.goto('/reports');
  for (const name of ['Work in progress', 'Margin by job', 'Estimated against actual', 'Deposits held']) {
    await page.getByRole('link', { name, exact: true }).click();
    await expect(page.getByRole('table', { name, exact: true })).toBeVisible();
    expect(await serious(page)).toEqual([]);
  }
  await page.getByRole('link', { name: 'Agreed, billed, paid' }).click();
  const table = page.getByRole('table', { name: 'Agreed, billed, paid' });
  const rows = table.locator('tbody tr.ant-table-row');
  await expect(rows.first()).toBeVisible();
  const all = await rows.count();
  const column = (nth: number) => rows.locator(`td:nth-child(${nth})`).allTextContents();
  const sum = (texts: readonly string[]) => texts.reduce((whole, text) => whole + cents(text || '0.00'), 0n);
  for (const nth of [4, 5, 6, 7, 9])
    expect(sum(await column(nth))).toBe(
      cents((await table.locator(`tfoot td:nth-child(${nth})`).textContent()) || '0.00'),
    );
  // Two things are picked while the answer to the first is held back: both count.
  await page.route('**/reports/contract?**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.continue();
  });
  await page.getByRole('combobox', { name: 'Customer' }).click();
  await page.keyboard.type('Vasquell', { delay: 30 });
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /^\d{4}$/ })
    .first()
    .click();
  await expect(page).toHaveURL(/days=\d{4}-01-01\.\.\d{4}-12-31/);
  await expect(page).toHaveURL(/customer=/);
  await page.unroute('**/reports/contract?**');
  await expect.poll(async () => (await rows.count()) < all && (await rows.count()) > 0).toBe(true);
  await expect(rows.getByText('Hollin Vasquell')).toHaveCount(await rows.count());
  await table.getByRole('columnheader', { name: 'Contract sum' }).click();
  await expect(page).toHaveURL(/sort=sum/);
  await expect
    .poll(async () => {
      const sums = (await column(6)).map((text) => cents(text));
      return sums.every((value, i) => i === 0 || sums[i - 1]! <= value);
    })
    .toBe(true);
  const csv = await page.request.get(
    (await page.getByRole('link', { name: 'As CSV' }).getAttribute('href'))!,
  );
  const lines = (await csv.text()).trim().split('\r\n');
  expect(lines).toHaveLength((await rows.count()) + 1);
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(rows).toHaveCount(all);
  await page.goBack();
  await expect(page).toHaveURL(/customer=/);
});
