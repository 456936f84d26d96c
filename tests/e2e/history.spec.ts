import { expect, test } from './desk';

test('what was done with a customer alone, and from there the whole record', async ({ page }) => {
  await page.goto('/customers');
  await page.locator('.list-table tbody tr.ant-table-row').first().getByRole('link').first().click();
  await page.waitForURL(/\/customers\/[0-9a-f-]{36}/);
  const name = await page.getByRole('heading', { level: 1 }).textContent();
  await page.getByRole('link', { name: 'History' }).click();
  await page.waitForURL(/\/history\?of=/);
  const rows = page.locator('.list-table tbody tr.ant-table-row');
  await expect(rows.first()).toContainText(name!);
  const few = await rows.count();
  for (let i = 0; i < few; i += 1) await expect(rows.nth(i)).toContainText(name!);
  await page
    .locator('.list-thing')
    .getByRole('button')
    .or(page.locator('.list-thing .anticon-close'))
    .first()
    .click();
  await expect.poll(() => rows.count()).toBeGreaterThan(few);
});
