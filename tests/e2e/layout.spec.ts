import { choose, expect, serious, test } from './desk';

/* How an invoice is laid out, kept under a name, and what the next one begins with. */

test('a layout is chosen, kept by a quick hand over slow answers, begun with elsewhere, and deleted', async ({
  page,
}) => {
  await page.goto('/agreements');
  await page.getByText('Attic room for the twins').first().click();
  await page.waitForURL(/\/agreements\/[0-9a-f-]{36}$/);
  const agreement = page.url();
  await page.goto(`${agreement}/bill?rest`);
  const words = page.locator('.bill-layout');
  await expect(words).toHaveText('Rows by section, bundles as they were offered.');
  await page.getByRole('button', { name: 'Change the layout …' }).click();
  const drawer = page.getByRole('dialog', { name: 'Layout of the invoice' });
  const field = (name: string) =>
    drawer.locator('.bill-field').filter({ hasText: name }).locator('.ant-select');
  await choose(field('Summary first'), 'All work by kind: labor, material, …');
  await choose(field('Codes'), 'Item and cost codes');
  await drawer.getByLabel('Percent to date and balance of each row').click();
  await drawer.getByPlaceholder('Find a row').fill('permit');
  const single = drawer.locator('.layout-rows tbody tr.ant-table-row');
  await expect(single).toHaveCount(1);
  await choose(single.locator('.ant-select').first(), 'Left out');
  const said =
    'A summary by kind of work, rows by section, bundles as they were offered, item and cost codes, percent and balance, 1 row otherwise.';
  await expect(words).toHaveText(said);
  expect(await serious(page)).toEqual([]);

  await page.route('**/bill**', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.continue();
  });
  const name = drawer.getByLabel('Keep this layout as');
  await name.pressSequentially('For the bank', { delay: 30 });
  await expect(drawer.getByText('they are not kept for all')).toBeVisible();
  await drawer.getByLabel('Invoices begin with it').click();
  await name.press('Enter');
  // What is typed while the first is on its way stays.
  await name.press('End');
  await name.pressSequentially(', short', { delay: 30 });
  await expect(page.getByText('The layout “For the bank” is kept.')).toBeVisible();
  await expect(name).toHaveValue('For the bank, short');
  await page.unroute('**/bill**');
  const kept = drawer.locator('.layout-kept li');
  await expect(kept).toHaveCount(1);
  await expect(kept).toContainText('For the bank · for all agreements · invoices begin with it');
  // The paper as the customer would get it.
  await page.keyboard.press('Escape');
  await expect(drawer).toHaveCount(0);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Preview' }).click();
  expect((await download).suggestedFilename()).toMatch(/\.pdf$/);
  await page.reload();
  await expect(words).toHaveText(said);

  // Another agreement’s invoice begins with what is kept for all, which says nothing of single rows.
  await page.goto('/agreements');
  await page.getByText('Screened porch over the garden').first().click();
  await page.waitForURL(/\/agreements\/[0-9a-f-]{36}$/);
  await page.goto(`${page.url()}/bill?rest`);
  await expect(words).toHaveText(said.replace(', 1 row otherwise', ''));
  await expect(
    page.locator('.bill-side .ant-select').filter({ hasText: 'For the bank (usual)' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Change the layout …' }).click();
  await kept.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('tooltip').getByRole('button', { name: 'Delete layout' }).click();
  await expect(page.getByText('The layout “For the bank” is deleted.')).toBeVisible();
  await expect(kept).toHaveCount(0);

  await page.goto(`${agreement}/bill`);
  await page.getByRole('button', { name: 'Delete draft' }).click();
  await page.getByRole('tooltip').getByRole('button', { name: 'Delete draft' }).click();
  await page.waitForURL(agreement);
});
