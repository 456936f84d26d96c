import { expect, serious, test } from './desk';

test('Ctrl K finds a customer by telephone, an agreement by words, and what to do; the keys lead', async ({
  page,
}) => {
  await page.goto('/customers');
  const phone = await page.locator('.list-table a[href^="tel:"]').first().innerText();
  const name = await page.locator('.list-table tbody tr.ant-table-row td:nth-child(2)').first().innerText();

  await page.goto('/today');
  const field = page.getByRole('combobox', { name: 'Find anything' });
  await expect(async () => {
    await page.keyboard.press('Control+k');
    await expect(field).toBeFocused({ timeout: 1500 });
  }).toPass();
  // Typed fast, over answers that come late: what is found is of the last words.
  await page.route('**/api/desk/find?**', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 600));
    await route.continue();
  });
  await field.pressSequentially('attic sky', { delay: 30 });
  const options = page.getByRole('option');
  await expect(options.filter({ hasText: 'Attic room with two skylights' }).first()).toBeVisible();
  await field.fill(phone.replace(/\D/g, ''));
  await expect(options.first()).toContainText(name.split('\n')[0]!);
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: name.split('\n')[0]! })).toBeVisible();

  await page.keyboard.press('Control+k');
  await field.fill('accountant');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/money\/accountant/);

  await page.keyboard.press('Control+k');
  await field.fill('zzzz nothing');
  await expect(page.getByText('Nothing here has “zzzz nothing”. Try fewer words.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toHaveCount(0);
  await page.keyboard.press('Alt+n');
  await expect(page.getByRole('heading', { name: 'New proposal' })).toBeVisible();
});
