import { begin, cents, expect, serious, test, tick } from './desk';
import type { Page } from '@playwright/test';

const rowsOf = (page: Page) => page.locator('.list-table tbody tr.ant-table-row');

test('an agreement is found by words, by number, and by how far it is; the address keeps what was asked', async ({
  page,
}) => {
  await page.goto('/agreements');
  const find = page.getByLabel('Find in agreements');
  const rows = rowsOf(page);
  await expect(rows.filter({ hasText: 'Attic room with two skylights' })).toBeVisible();

  await expect(async () => {
    await find.fill('attic tillotsen');
    await expect(page).toHaveURL(/search=attic/, { timeout: 2000 });
  }).toPass();
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText('Bram Tillotsen');
  const number = await rows.locator('td').nth(1).innerText();

  // It is billed and paid to the end.
  const progress = page.getByRole('combobox', { name: 'Progress' });
  await progress.click();
  await page.getByTitle('Under way').click();
  await expect(page.getByText('No match. Try fewer words, or clear a filter.')).toBeVisible();
  await page.getByTitle('Finished').click();
  await page.locator('.ant-select-dropdown').getByTitle('Under way').click();
  await expect(page).toHaveURL(/show=finished/);
  await expect(rows).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(page.locator('.ant-select-dropdown')).toBeHidden();
  expect(await serious(page)).toEqual([]);

  await page.reload();
  await expect(find).toHaveValue('attic tillotsen');
  await expect(rows).toHaveCount(1);
  await find.fill(number);
  await expect(page).toHaveURL(new RegExp(`search=${number}`));
  await expect(rows).toHaveCount(1);
  await rows.getByRole('link', { name: 'Attic room with two skylights' }).click();
  await expect(page.getByRole('heading', { name: 'Attic room with two skylights' })).toBeVisible();
  // Back returns to the list as it was left.
  await page.goBack();
  await expect(find).toHaveValue(number);
  await expect(rows).toHaveCount(1);
});

test('sorted by a click, the other way by another; columns are chosen and stay; all of it in the address', async ({
  page,
}) => {
  await page.goto('/proposals');
  const rows = rowsOf(page);
  const totals = async () =>
    (await rows.locator('td:last-child').allInnerTexts()).map((text) => Number(text.replace(/,/g, '')));
  const head = page.getByRole('columnheader', { name: 'Total as suggested' });
  await expect(rows.first()).toBeVisible();
  await head.click();
  await expect(page).toHaveURL(/sort=total$/);
  await expect(head).toHaveAttribute('aria-sort', 'ascending');
  const up = await totals();
  expect(up).toEqual([...up].sort((a, b) => a - b));
  await head.click();
  await expect(page).toHaveURL(/sort=total\+down/);
  await expect(head).toHaveAttribute('aria-sort', 'descending');
  await expect.poll(totals).toEqual([...up].reverse());

  // The sum of all stands under the column.
  const sum = up.reduce((all, each) => all + Math.round(each * 100), 0);
  const said = await page.locator('.list-total td').last().innerText();
  expect(Math.round(Number(said.replace(/,/g, '')) * 100)).toBe(sum);

  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('checkbox', { name: 'Site' }).click();
  await expect(page.getByRole('columnheader', { name: 'Site' })).toHaveCount(0);
  await page.waitForTimeout(600);
  await page.reload();
  await expect(page.getByRole('columnheader', { name: 'Customer' })).toBeVisible();
  await expect(page.getByRole('columnheader', { name: 'Site' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('checkbox', { name: 'Site' }).click();
  await expect(page.getByRole('columnheader', { name: 'Site' })).toBeVisible();
});

test('a view is kept under a name and opened again; what is selected is summed and exported', async ({
  page,
}) => {
  await page.goto('/proposals?state=sent');
  const rows = rowsOf(page);
  await expect(rows.first()).toBeVisible();
  const sent = await rows.count();
  const name = `Sent ${Date.now()}`;
  await expect(async () => {
    await page.getByRole('button', { name: 'Views' }).click();
    await page.getByRole('menuitem', { name: 'Save this view …' }).click({ timeout: 2000 });
  }).toPass();
  await page.getByLabel('Name of the view').fill(name);
  await page.getByRole('button', { name: 'Save view' }).click();
  await expect(page.getByRole('button', { name })).toBeVisible();
  await page.goto('/proposals');
  await expect.poll(() => rows.count()).toBeGreaterThan(sent);
  await page.getByRole('button', { name: 'Views' }).click();
  await page.getByRole('menuitem', { name }).click();
  await expect(page).toHaveURL(/state=sent/);
  await expect(rows).toHaveCount(sent);

  await rows.nth(0).getByRole('checkbox').check();
  await rows.nth(1).getByRole('checkbox').check();
  await expect(page.getByRole('status').filter({ hasText: '2 selected' })).toBeVisible();
  const address = await page.getByRole('link', { name: 'Export selected' }).getAttribute('href');
  const file = await page.request.get(address!);
  expect(file.headers()['content-type']).toContain('text/csv');
  expect((await file.text()).trim().split('\r\n')).toHaveLength(3);
  const all = await page.request.get('/api/v1/lists/proposals?format=csv&state=sent');
  expect((await all.text()).trim().split('\r\n')).toHaveLength(sent + 1);

  await page.getByRole('button', { name }).click();
  await page.getByRole('menuitem', { name: /Delete view/ }).click();
  await expect(page.getByRole('button', { name: 'Views' })).toBeVisible();
});

test('days are picked or typed in any usual way', async ({ page }) => {
  await page.goto('/money/payments');
  const from = page.getByPlaceholder('Day from');
  // The days of the demo move along with today.
  const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
  const [first, last] = [daysAgo(70), daysAgo(40)];
  const [year, month, day] = first.split('-').map(Number);
  const worded = new Date(`${last}T00:00:00Z`).toLocaleDateString('en-GB', {
    ...{ day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' },
  } as Intl.DateTimeFormatOptions);
  await expect(async () => {
    await from.click();
    await from.fill(`${month}/${day}/${year}`);
    await from.press('Enter');
    await page.getByPlaceholder('to', { exact: true }).fill(worded.replace('Sept', 'Sep'));
    await page.getByPlaceholder('to', { exact: true }).press('Enter');
    await expect(page).toHaveURL(new RegExp(`day=${first}\\.\\.${last}`), { timeout: 3000 });
  }).toPass();
  await expect(rowsOf(page).first()).toBeVisible();
  for (const text of await rowsOf(page).locator('.list-day').allInnerTexts()) {
    const shown = new Date(`${text} UTC`).toISOString().slice(0, 10);
    expect([text, shown >= first && shown <= last]).toEqual([text, true]);
  }
});

test('what is typed as a day and is none is said, and the day that counts stands', async ({ page }) => {
  await page.goto('/money/accountant');
  const from = page.getByRole('textbox', { name: 'From' });
  await expect(from).not.toHaveValue('');
  const stood = await from.inputValue();
  await expect(async () => {
    await from.click();
    await from.fill('sometime');
    await from.press('Tab');
    await expect(page.getByText(/“sometime” is no date/).first()).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(from).toHaveValue(stood);
  for (const [typed, shown] of [
    ['1/5/2026', '5 Jan 2026'],
    ['6 feb 2026', '6 Feb 2026'],
  ] as const) {
    await from.click();
    await from.press('ControlOrMeta+a');
    await from.pressSequentially(typed, { delay: 30 });
    await from.press('Tab');
    await expect(from).toHaveValue(shown);
  }
});

test('what an address asks for that makes no sense is the plain list; addresses of before lead on', async ({
  page,
}) => {
  await page.goto('/agreements?show=everything&before=x&search=%25');
  await expect(page.getByText('No match. Try fewer words, or clear a filter.')).toBeVisible();
  await page.goto('/agreements/back?year=1999');
  await expect(page).toHaveURL(/\/reports\?year=1999/);
  await expect(page.getByText('Nothing was signed in this year.')).toBeVisible();
  await page.goto('/reports?year=never');
  await expect(page.getByRole('table', { name: 'Agreements' })).toBeVisible();
  await page.goto('/money?show=out');
  await expect(page).toHaveURL(/state=outstanding/);
});

test('an invoice is found among all by number and work; the sums stay those of everything', async ({
  page,
}) => {
  await page.goto('/money');
  const out = page.getByRole('link', { name: /^Outstanding/ });
  const sum = await out.innerText();
  const rows = rowsOf(page);
  const find = page.getByLabel('Find in invoices');
  await expect(async () => {
    await find.fill('roofing courtyard');
    await expect(page).toHaveURL(/search=roofing/, { timeout: 2000 });
  }).toPass();
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText('On account of the roofing');
  await expect(out).toHaveText(sum, { useInnerText: true });
  expect(await serious(page)).toEqual([]);
  await find.fill('no such thing');
  await expect(page.getByText('No match. Try fewer words, or clear a filter.')).toBeVisible();
  await find.fill('');
  await expect(page).toHaveURL(/\/money$/);
  await expect(page.getByText('Days after the day it was due')).toBeVisible();
  // Every sum opens what it is made of.
  await out.click();
  await expect(page).toHaveURL(/state=outstanding/);
  await expect(page.locator('.list-total td').last()).toHaveText(sum.split('\n').at(-1)!);
});

test('fast hands, slow answers: words at 30 ms a key, a filter and an order chosen before the first answer; cleared, opened, gone back to', async ({
  page,
}) => {
  await page.goto('/proposals');
  const rows = rowsOf(page);
  await expect(rows.first()).toBeVisible();
  const all = await page.locator('.list-total td').nth(1).innerText();
  const find = page.getByLabel('Find in proposals');
  await page.route('**/proposals?**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.continue();
  });
  await find.pressSequentially('porch', { delay: 30 });
  await page.getByRole('combobox', { name: 'State' }).click();
  await page.getByTitle('Draft', { exact: true }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('columnheader', { name: 'Total as suggested' }).click();
  await page.waitForTimeout(400);
  // An answer to less than was typed takes nothing of the rest.
  await find.press('End');
  await find.pressSequentially(' rear', { delay: 30 });
  await expect(page).toHaveURL(/search=porch\+rear&sort=total&state=draft/, { timeout: 20_000 });
  await expect(find).toHaveValue('porch rear');
  await expect(rows).not.toHaveCount(0);
  for (const text of await rows.allInnerTexts()) expect(text).toMatch(/porch, rear[\s\S]*Draft/i);

  // Cleared, it stays cleared: the words do not come back of themselves.
  await page.getByRole('button', { name: 'Clear filters' }).click();
  await expect(find).toHaveValue('');
  await expect(page).toHaveURL(/\/proposals\?sort=total$/, { timeout: 20_000 });
  await expect(page.locator('.list-total td').nth(1)).toHaveText(all);
  await page.waitForTimeout(2500);
  await expect(page).toHaveURL(/\/proposals\?sort=total$/);
  await page.goBack();
  await expect(find).toHaveValue('porch rear', { timeout: 20_000 });
});

test('costs of all jobs, letters and batches are lists too: found, filtered, summed, sent to a colleague by address', async ({
  page,
}) => {
  await page.goto('/money');
  await page.getByRole('link', { name: 'Costs', exact: true }).click();
  await page.waitForURL('**/money/costs');
  const total = page.locator('.list-total td').last();
  const before = cents(await total.textContent());
  await page.getByRole('combobox', { name: 'Type' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('Labor', { exact: true }).click();
  await page.waitForURL('**/money/costs?costType=labour');
  await expect.poll(async () => cents(await total.textContent())).toBeLessThan(before);
  for (const cell of await rowsOf(page).locator('[data-title=Type]').allInnerTexts())
    expect(cell).toBe('labor');
  const address = page.url();

  await page.goto('/outbox?search=okonder');
  const letters = rowsOf(page);
  await expect(letters.first()).toContainText('okonder@post.example');
  const count = await letters.count();
  await page.goto('/outbox');
  expect(await letters.count()).toBeGreaterThan(count);
  await page.goto('/outbox?kind=proposal,acceptance');
  for (const kind of await letters.locator('[data-title=Kind]').allInnerTexts())
    expect(['Proposal', 'Acceptance']).toContain(kind);
  await letters.first().locator('.row-act').click();
  const letter = page.getByRole('dialog').getByRole('article');
  await expect(letter).toContainText('to ');
  await page.keyboard.press('Escape');
  await expect(letter).toHaveCount(0);

  await page.goto(address);
  await expect(page.locator('.list-filters .ant-select').first()).toContainText('Labor');
  await page.goto('/money/accountant?to=..2001-01-01');
  await expect(page.getByText('No match. Try fewer words, or clear a filter.')).toBeVisible();
});

test('several proposals are withdrawn at once, after a question', async ({ page }) => {
  const mark = `Twofold ${Date.now()}`;
  await begin(page, `${mark} one`);
  await begin(page, `${mark} two`);
  await page.goto(`/proposals?search=${encodeURIComponent(mark)}`);
  const rows = rowsOf(page);
  await expect(rows).toHaveCount(2);
  await tick(rows.nth(0).getByRole('checkbox'));
  await tick(rows.nth(1).getByRole('checkbox'));
  await page.getByRole('button', { name: 'Withdraw' }).click();
  const question = page.getByRole('dialog', { name: 'Withdraw these 2 proposals?' });
  await question.getByRole('button', { name: 'Cancel' }).click();
  await expect(question).toBeHidden();
  await expect(rows.getByText('withdrawn', { exact: false })).toHaveCount(0);
  // The first answer is lost on its way: that is said, the rows stay selected, and asking again says what stands.
  let lost = 0;
  await page.route('**/proposals?*', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.fallback();
    lost += 1;
    await route.fetch();
    return route.abort();
  });
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await question.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('The server did not answer.')).toBeVisible();
  await expect(question).toBeHidden();
  await expect(page.getByRole('status').filter({ hasText: '2 selected' })).toBeVisible();
  await page.getByRole('button', { name: 'Withdraw' }).click();
  await question.getByRole('button', { name: 'Withdraw' }).click();
  await expect(page.getByText('2 of 2 proposals withdrawn.')).toBeVisible();
  await expect(rows.getByText('withdrawn', { exact: false })).toHaveCount(2);
  await expect(page.getByRole('status').filter({ hasText: 'selected' })).toHaveCount(0);
});
