import { choose, expect, test } from './desk';

test('a markup level has markups of its own: added, named, typed as a margin, ordered; the sheet prices by it', async ({
  page,
}) => {
  await page.goto('/settings#about=pricing');
  const level = page.getByRole('table', { name: 'Markups of Small job' });
  await expect(level).toBeVisible();
  const rows = level.locator('tbody tr');
  const before = await rows.count();
  await page
    .locator('fieldset.load-set')
    .filter({ has: level })
    .getByRole('button', { name: 'Markup' })
    .click();
  await expect(rows).toHaveCount(before + 1);
  const last = rows.last();
  await last.getByLabel('Markup', { exact: true }).fill('Bond');
  await page.keyboard.press('Tab');
  await last.getByLabel('Bond, percent', { exact: true }).focus();
  await page.keyboard.type('20 margin', { delay: 30 });
  await page.keyboard.press('Tab');
  // 20 % of the price is a quarter of what comes before it.
  await expect(last.getByLabel('Bond, percent', { exact: true })).toHaveValue('20');
  await expect(last).toContainText('25.00 % markup');
  await choose(last.getByLabel('Bond: what it is'), 'bond');
  await last.getByRole('button', { name: 'Move Bond up' }).click();
  await expect(rows.nth(before - 1).getByLabel('Markup', { exact: true })).toHaveValue('Bond');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.reload();
  await expect(rows).toHaveCount(before + 1);
  await expect(rows.nth(before - 1).getByLabel('Markup', { exact: true })).toHaveValue('Bond');

  // As it was, for those who come after.
  await level.getByRole('button', { name: 'Remove Bond' }).click();
  await expect(rows).toHaveCount(before);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
});
