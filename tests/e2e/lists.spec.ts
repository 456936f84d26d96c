import { expect, serious, test } from './desk';

test('an agreement is found by words, by number, and by how far it is; the address keeps what was asked', async ({
  page,
}) => {
  await page.goto('/agreements');
  const find = page.getByLabel('Find an agreement');
  const rows = page.locator('tbody tr');
  const which = page.getByRole('navigation', { name: 'Which agreements' });
  await expect(rows.filter({ hasText: 'Attic room with two skylights' })).toBeVisible();

  await expect(async () => {
    await find.fill('attic tillotsen');
    await expect(page).toHaveURL(/search=attic/, { timeout: 2000 });
  }).toPass();
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText('Bram Tillotsen');
  const number = await rows.locator('td').first().innerText();

  // It is billed and paid to the end.
  await which.getByRole('link', { name: 'Under way' }).click();
  await expect(page.getByText('No agreement here fits “attic tillotsen”.')).toBeVisible();
  await which.getByRole('link', { name: 'Finished' }).click();
  await expect(rows).toHaveCount(1);
  expect(await serious(page)).toEqual([]);

  await page.reload();
  await expect(find).toHaveValue('attic tillotsen');
  await expect(which.getByRole('link', { name: 'Finished' })).toHaveAttribute('aria-current', 'page');
  await find.fill(number);
  await expect(page).toHaveURL(new RegExp(`search=${number}$`));
  await expect(rows).toHaveCount(1);
  await rows.getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'Attic room with two skylights' })).toBeVisible();
});

test('what an address asks for that makes no sense is the plain list', async ({ page }) => {
  await page.goto('/agreements?show=everything&before=x&search=%25');
  await expect(page.getByText('No agreement here fits “%”.')).toBeVisible();
  await page.goto('/agreements?before=2');
  await expect(page.getByRole('link', { name: 'Newest' })).toBeVisible();
  await page.goto('/agreements/back?year=1999');
  await expect(page.getByText('Nothing was signed in this year.')).toBeVisible();
  await page.goto('/agreements/back?year=never');
  await expect(page.getByRole('table', { name: 'Agreements' })).toBeVisible();
});

test('an invoice is found among all by number and work; the sums stay those of everything', async ({
  page,
}) => {
  await page.goto('/money');
  const out = page.getByRole('link', { name: /^Out/ });
  const sum = await out.innerText();
  const rows = page.locator('table').first().locator('tbody tr');
  const find = page.getByLabel('Find invoices and payments');
  await expect(async () => {
    await find.fill('roofing courtyard');
    await expect(page).toHaveURL(/search=roofing/, { timeout: 2000 });
  }).toPass();
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText('On account of the roofing');
  await expect(out).toHaveText(sum, { useInnerText: true });
  expect(await serious(page)).toEqual([]);
  await find.fill('no such thing');
  await expect(page.getByText('Nothing fits “no such thing”.')).toBeVisible();
  await find.fill('');
  await expect(page).toHaveURL(/\/money$/);
  await expect(page.getByText('Days after the day it was due')).toBeVisible();
});
