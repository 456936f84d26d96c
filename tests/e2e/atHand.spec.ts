import { expect, saved, shownLink, test, tick } from './desk';

test('a note marked as an alert is there before work starts: when the customer is picked, in the editor; never in the booklet', async ({
  page,
}) => {
  const name = `Wasp ${Date.now()}`;
  await page.goto('/customers');
  await page.getByRole('button', { name: 'New customer' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name', { exact: true }).fill(name);
  await form.getByLabel('Street').fill('7 Hive Lane');
  await form.getByLabel('Town').fill('Marrowby');
  await form.getByLabel('Email').fill('wasp@example.example');
  await form.getByLabel('Only for us, never shown to the customer').fill('Wasps under the eaves');
  await tick(form.getByRole('checkbox', { name: 'Show this note to us before work starts' }));
  await form.getByRole('button', { name: /Add|Save/ }).click();
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
