import { begin, beforeTax, expect, saved, shownLink, test } from './desk';

test('a markup typed as a margin, moved, taken back; a discount says why, and the customer reads it', async ({
  page,
}) => {
  await begin(page, 'Margins and reasons');
  await page.keyboard.type('10 handrail cedar', { delay: 20 });
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.locator('tr.row:not(.row-section)')).toHaveCount(1);
  await page.getByRole('button', { name: 'Price', exact: true }).click();
  const rows = page.locator('.loads-table tbody tr');
  const begun = await rows.count();
  await page.getByRole('button', { name: 'Markup' }).click();
  await expect(rows).toHaveCount(begun + 1);
  const added = rows.nth(begun - 1);
  await added.getByLabel('Markup', { exact: true }).fill('Sales commission');
  await page.keyboard.press('Enter');
  const percent = page.getByLabel('Sales commission, percent');
  await percent.click();
  await page.waitForTimeout(100);
  await page.keyboard.type('20 margin', { delay: 30 });
  await page.keyboard.press('Enter');
  await expect(percent).toHaveValue('20');
  await expect(added).toContainText('25.00 % markup');
  await expect(added).toContainText('% of the price');
  await percent.fill('100 margin');
  await page.keyboard.press('Enter');
  await expect(page.getByText('This percentage goes from 0 to 99.')).toBeVisible();
  const names = () =>
    rows
      .getByLabel('Markup', { exact: true })
      .evaluateAll((all) => all.map((each) => (each as HTMLInputElement).value));
  const before = await names();
  await page.getByRole('button', { name: 'Move Sales commission up' }).click();
  const after = [...before];
  after.splice(-2, 2, before.at(-1)!, before.at(-2)!);
  expect(await names()).toEqual(after);
  await page.keyboard.press('Control+z');
  expect(await names()).toEqual(before);

  await page.getByLabel('Discount on the whole', { exact: true }).fill('5%');
  await page.keyboard.press('Enter');
  await page.getByLabel('Why the discount, as the customer reads it').fill('Second job with us');
  await page.keyboard.press('Enter');
  // The reason stays when the discount is changed.
  await page.getByLabel('Discount on the whole', { exact: true }).fill('10%');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  await page.goto(await shownLink(page));
  await expect(page.getByText('Discount: Second job with us')).toBeVisible();
  expect(await beforeTax(page)).toBeGreaterThan(0n);
  expect(await page.content()).not.toContain('commission');
});
