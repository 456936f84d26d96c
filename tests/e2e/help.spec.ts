import { expect, test } from './desk';

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
