import type { Page } from '@playwright/test';
import { begin, expect, saved, serious, test, tick } from './desk';

/** A porch of 15 by 16 ft with three lines, of which one is not in the library. */
async function porch(page: Page, title: string) {
  await begin(page, title);
  await page.locator('tr.row-section-current [data-cell=description]').focus();
  await page.keyboard.press('Alt+m');
  await page.getByLabel('Length', { exact: true }).fill('15');
  await page.keyboard.press('Enter');
  await page.getByLabel('Width', { exact: true }).fill('16');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  const add = page.locator('#add-line');
  for (const [typed, found] of [
    ['264 cork floor', 'Cork floor'],
    ['62 ft cove base @3.10', null],
  ] as const) {
    await add.fill(typed);
    if (found === null) {
      await page.keyboard.press('Shift+Enter');
    } else {
      await expect(page.locator('.add-found li').first()).toContainText(found);
      await page.keyboard.press('Enter');
    }
    await expect(add).toHaveValue('');
  }
  await saved(page);
}

const selectAll = async (page: Page) => {
  const rows = page.locator('tr.row [data-cell=description]');
  await rows.first().focus();
  await page.keyboard.press('Control+Space');
  await rows.last().focus();
  await page.keyboard.press('Control+Shift+Space');
};

test('a bundle made of lines: formulas offered, the price the same, kept in the library with its items', async ({
  page,
}) => {
  await porch(page, 'A bundle of lines');
  const total = await page.getByTestId('total').textContent();
  await selectAll(page);
  await page.getByRole('button', { name: 'Make a bundle' }).click();
  const dialog = page.getByRole('dialog', { name: 'A bundle of 2 lines' });
  await expect(dialog.getByLabel('Name of the bundle')).toBeFocused();
  await page.keyboard.type('Cork with base', { delay: 30 });
  await expect(dialog.getByLabel('Cork floor, floating goes by')).toHaveValue('floor * 1.1');
  await expect(dialog.getByLabel('cove base goes by')).toHaveValue('perimeter');
  await expect(dialog).toContainText('the same.');
  await expect(dialog).toContainText('It takes floor, perimeter from the dimensions.');
  // Another formula is typed; the price says what it does, and what cannot be read is said.
  await dialog.getByLabel('cove base goes by').fill('perimetr - 3ft');
  await expect(dialog.locator('p .wrong')).toContainText('perimetr');
  await expect(dialog.getByRole('button', { name: 'Make the bundle' })).toBeDisabled();
  await dialog.getByLabel('cove base goes by').fill('perimeter - 3ft');
  await expect(dialog.getByRole('row', { name: /cove base/ })).toContainText('59');
  await expect(dialog).toContainText(/as a bundle [\d,.]+ \(−9\.30\)\./);
  await tick(dialog.getByRole('checkbox', { name: 'Keep it in the library, too' }));
  const code = `CB${Date.now() % 100_000}`;
  await dialog.getByLabel('Code in the library').fill(code);
  await dialog.getByLabel('Trade').fill('Floors');
  await expect(dialog).toContainText(
    `Makes a bundle of 2 parts, and an item the library has not yet: ${code}-1 “cove base”.`,
  );
  expect(await serious(page)).toEqual([]);

  // The answer waits; what is typed meanwhile changes nothing of what was sent, and a second press sends nothing.
  let sent = 0;
  await page.route('**/proposals/**', async (route) => {
    if (route.request().method() === 'POST') {
      sent += 1;
      await new Promise((wait) => setTimeout(wait, 2000));
    }
    await route.continue();
  });
  await dialog.getByRole('button', { name: 'Make the bundle' }).click();
  await dialog.getByRole('button', { name: 'Make the bundle' }).click({ force: true });
  await expect(dialog).toBeHidden({ timeout: 20_000 });
  expect(sent).toBeGreaterThanOrEqual(1);
  await page.unrouteAll({ behavior: 'wait' });
  await expect(page.locator('tr.row-bundle [data-cell=description]')).toHaveValue('Cork with base');
  await expect(page.locator('tr.row-bundle')).toHaveCount(1);
  await expect(page.getByTestId('total')).not.toHaveText(total!);

  // Another size, and the parts follow; the bundle is found in the library for the next job.
  await page.getByLabel('Length', { exact: true }).fill('10');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.locator('#add-line').fill(code);
  await expect(page.locator('.add-found li').first()).toContainText('Cork with base');
  await page.keyboard.press('Enter');
  await expect(page.locator('tr.row-bundle')).toHaveCount(2);
  await expect(page.locator('tr.row-part [aria-label^="Quantity of cove base"]').last()).toHaveValue('49');
  await saved(page);
  await page.reload();
  await expect(page.locator('tr.row-bundle')).toHaveCount(2);
});

test('a bundle that asks for a size of its own; one undo brings the lines back', async ({ page }) => {
  await begin(page, 'A rail of lines');
  const add = page.locator('#add-line');
  for (const typed of ['62 ft top rail @4', '9 newel post @30']) {
    await add.fill(typed);
    await page.keyboard.press('Shift+Enter');
    await expect(add).toHaveValue('');
  }
  await selectAll(page);
  await page.getByRole('button', { name: 'Make a bundle' }).click();
  const dialog = page.getByRole('dialog', { name: 'A bundle of 2 lines' });
  await dialog.getByLabel('Name of the bundle').fill('Rail');
  // Without dimensions there is nothing to go by, until the bundle asks for something.
  await expect(dialog.getByLabel('top rail goes by')).toHaveValue('62');
  await dialog.getByRole('button', { name: 'Ask for a size of its own' }).click();
  await page.keyboard.type('Run', { delay: 30 });
  await dialog.getByLabel('Here, 1').fill('38+24');
  await expect(dialog.getByLabel('top rail goes by')).toHaveValue('run');
  await expect(dialog.getByLabel('newel post goes by')).toHaveValue('ceil(run / 8ft) + 1');
  await dialog.getByLabel('Name of the bundle').press('Enter');
  await expect(dialog).toBeHidden();
  await expect(page.locator('tr.row-bundle')).toHaveCount(1);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.locator('tr.row-bundle')).toHaveCount(0);
  await expect(page.locator('tr.row')).toHaveCount(2);
  await saved(page);
});
