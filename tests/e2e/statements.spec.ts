import { expect, serious, test, tick } from './desk';

/* Statements of account to several customers at once. */

test('statements are sent to those selected, over slow answers; what could not be sent is told, and what went is kept', async ({
  page,
}) => {
  await page.goto('/customers?with=agreement');
  const rows = page.locator('.list-table tbody tr.ant-table-row');
  await expect(rows.first()).toBeVisible();
  const count = await rows.count();
  await tick(page.locator('.list-table thead').getByRole('checkbox'));
  await page.getByRole('button', { name: 'Send statements …' }).click();
  const dialog = page.getByRole('dialog', { name: `Statements of account to ${count} customers` });
  await dialog
    .getByLabel('Your words before it')
    .pressSequentially('With thanks for your trust.', { delay: 30 });
  expect(await serious(page)).toEqual([]);
  await page.route('**/customers?**', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.continue();
  });
  await dialog.getByRole('button', { name: `Send ${count} statements` }).click();
  const told = dialog.getByText(/✓ to |No email address|nothing is owed/);
  // One after the other, each held back.
  await expect(told).toHaveCount(count, { timeout: 15_000 + count * 5000 });
  const gone = await dialog.getByText('✓ to ').count();
  expect(gone).toBeGreaterThan(0);
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await expect(dialog).toHaveCount(0);
  await page.goto('/outbox?kind=statement');
  await expect(rows).toHaveCount(gone);
  await rows.first().locator('.row-act').click();
  const letter = page.getByRole('dialog').getByRole('article');
  await expect(letter).toContainText('With thanks for your trust.');
  const download = page.waitForEvent('download');
  await letter.getByRole('link', { name: 'statement of account.pdf' }).click();
  expect((await download).suggestedFilename()).toBe('statement of account.pdf');
});
