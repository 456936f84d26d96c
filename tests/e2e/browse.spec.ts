import { choose, begin, expect, saved, serious, test } from './desk';
import { png } from '../support/png';

test('the library by trade on a tablet: a tap takes one, another one more; a bundle asks its inputs; no cost is shown', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await begin(page, 'From the library');
  await page.getByRole('button', { name: 'Browse library' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: /^Frame/ })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await dialog.getByRole('button', { name: /^Frame/ }).click();
  await dialog.getByLabel('Find in Frame').fill('post 4×4');
  const card = dialog.getByRole('button', { name: /^Post 4×4, treated/ });
  await expect(card).toBeVisible();
  // The customer may look on: the library by trade shows no money at all.
  await expect(dialog.locator('.trade-items')).not.toContainText(/\d\.\d\d/);
  await card.click();
  await card.click();
  await card.click();
  await expect(card).toContainText('3 taken');
  await dialog.getByRole('button', { name: '← All trades' }).click();
  await dialog.getByRole('button', { name: /^Frame/ }).click();
  await dialog.getByRole('button', { name: /^Guard railing/ }).click();
  await expect(dialog).toBeHidden();
  await expect(page.locator('.inputs [aria-label^="Run"]')).toBeFocused();
  await expect(page.locator('tr.row [data-cell=quantity]').first()).toHaveValue('3');
  await saved(page);
});

test('a whole trade at once, its quantities to be looked at, taken back by one undo; what is often used by a finger', async ({
  page,
}) => {
  await begin(page, 'A whole trade');
  await page.getByRole('button', { name: 'Browse library' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: /^Ground/ }).click();
  await dialog.getByLabel('Find in Ground').fill('concrete');
  const all = dialog.getByRole('button', { name: /^Add all \d+ items$/ });
  const many = Number(/\d+/.exec((await all.textContent())!)![0]);
  expect(many).toBeGreaterThan(1);
  await all.click();
  await expect(dialog.getByText(`${many} lines added.`)).toBeVisible();
  await page.keyboard.press('Escape');
  const lines = page.locator('tr.row:not(.row-section)');
  await expect(lines).toHaveCount(many);
  await expect(lines.getByText('quantity not confirmed')).toHaveCount(many);
  await page.keyboard.press('Control+z');
  await expect(lines).toHaveCount(0);
  await page.getByRole('button', { name: 'Often used and starred' }).click();
  await expect(page.getByRole('option').first()).toBeVisible();
  await expect(page.locator('#add-line')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(lines).toHaveCount(1);
});

test('columns are chosen, stay chosen, and can leave the cost out of sight; lines are gathered by room', async ({
  page,
}) => {
  await begin(page, 'Columns');
  await page.keyboard.type('4 joist');
  await expect(page.locator('.add-found li').first()).toContainText(/joist/i);
  await page.keyboard.press('Enter');
  await expect(page.locator('tr.row')).toHaveCount(1);
  const heads = page.locator('.sheet thead th');
  await expect(heads).toHaveCount(8);
  await page.getByRole('button', { name: 'Columns' }).click();
  const column = (name: string) => page.getByRole('checkbox', { name, exact: true });
  await column('Cost').click();
  await column('Hours').click();
  await expect(page.locator('.sheet thead')).not.toContainText('Cost');
  await expect(page.locator('.sheet thead')).toContainText('Hours');
  await expect(page.locator('tr.row [data-cell=cost]')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.locator('.sheet thead')).toContainText('Hours');
  await expect(page.locator('.sheet thead')).not.toContainText('Cost');
  await page.getByRole('button', { name: 'Columns' }).click();
  await column('Cost').click();
  await column('Hours').click();
  await page.keyboard.press('Escape');

  await page.locator('tr.row [data-cell=quantity]').first().focus();
  await page.keyboard.press('Control+Space');
  await choose(page.getByLabel('What they belong to'), 'Room');
  await page.getByRole('combobox', { name: 'Room', exact: true }).fill('Hall');
  await page.keyboard.press('Enter');
  await page.locator('.ant-segmented').getByText('Room', { exact: true }).click();
  await expect(page.locator('.row-group').first()).toHaveText('Hall');
  await page.getByText('By section', { exact: true }).click();
  await expect(page.locator('tr.row-section [data-cell=description]').last()).toHaveValue('Porch');
  await saved(page);
});

test('a rate that moves prices its items anew; a crew is made; an item takes loads and a picture of its own', async ({
  page,
}) => {
  await page.goto('/library/rates');
  await expect(page.getByRole('heading', { name: 'Rates and crews' })).toBeVisible();
  expect(await serious(page)).toEqual([]);
  const normal = page.getByLabel('Roofer, normal');
  const before = await normal.inputValue();
  await normal.fill('200');
  await page.keyboard.press('Enter');
  await expect(page.getByText('does not cost less')).toBeVisible();
  await normal.fill('51');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/\d+ items priced anew/)).toBeVisible();
  // The table is read anew from the server after the answer.
  await expect(normal).toHaveValue('51.00');
  await normal.fill(before);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Roofer, normal')).toHaveValue(before);

  await page.getByRole('button', { name: 'Add a crew' }).click();
  const crew = page.getByRole('region', { name: /^Crew \d/ }).last();
  const name = `Roof crew ${Date.now() % 100_000}`;
  await crew.getByLabel('Name of the crew').fill(name);
  await page.keyboard.press('Enter');
  const named = page.getByRole('region', { name, exact: true });
  await choose(named.getByLabel(/^Add people/), 'Helper');
  await expect(named.getByLabel('How many Helper')).toHaveValue('1');
  await named.getByLabel('How many Helper').fill('2');
  await page.keyboard.press('Enter');
  await expect(named).toContainText(/\d an hour/);

  await page.goto('/library/items/new');
  const code = `CR-${Date.now() % 1_000_000}`;
  await page.getByLabel('Code', { exact: true }).fill(code);
  await page.getByLabel('Name', { exact: true }).fill('Roofing by the crew');
  await page.getByLabel('Trade').fill('Roof');
  await page.getByRole('button', { name: 'Add crew' }).click();
  await page.getByLabel('Hours of the crew').fill('0.5');
  await page.keyboard.press('Enter');
  await page.getByText('its own markup').click();
  await page.getByLabel('Profit, percent').fill('0');
  await page.keyboard.press('Enter');
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'roof.png', mimeType: 'image/png', buffer: png(60, 40) });
  await expect(page.locator('.picture-field img')).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.getByRole('button', { name: 'Add to the library' }).click();
  await page.waitForURL(/library\/items\/[0-9a-f-]{36}/);
  await page.reload();
  await expect(page.getByLabel('Hours of the crew')).toHaveValue('0.5');
  await expect(page.getByLabel('Profit, percent')).toHaveValue('0');
  expect(
    await page.locator('.picture-field img').evaluate((image: HTMLImageElement) => image.naturalWidth),
  ).toBe(60);
  await page.goto('/library?view=trades');
  await page.getByRole('button', { name: /^Roof/ }).click();
  await expect(
    page
      .getByRole('button', { name: /^Roofing by the crew/ })
      .locator('img')
      .first(),
  ).toBeVisible();
});
