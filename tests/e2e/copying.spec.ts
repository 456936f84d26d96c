import type { Page } from '@playwright/test';
import { begin, expect, saved, test } from './desk';

const rows = (page: Page) => page.locator('tr.row:not(.row-section)');
const words = (page: Page) =>
  rows(page)
    .locator('[data-cell=description]')
    .evaluateAll((cells) => cells.map((cell) => (cell as HTMLInputElement).value || cell.textContent));

const clipboard = (page: Page) => page.evaluate(() => navigator.clipboard.readText());

test.use({ permissions: ['clipboard-read', 'clipboard-write'] });

test('rows are copied as a table and as what they are: pasted behind a row, into another proposal, cut and taken back', async ({
  page,
}) => {
  await begin(page, 'Rows to copy');
  for (const typed of ['38+64 handrail cedar', '4 post 4×4 treated']) {
    await page.keyboard.type(typed, { delay: 20 });
    await expect(page.getByRole('option').first()).toBeVisible();
    await page.keyboard.press('Enter');
  }
  await page.keyboard.type('Haul away @120');
  await page.keyboard.press('Shift+Enter');
  await expect(rows(page)).toHaveCount(3);
  const [first, second, third] = await words(page);
  await expect(rows(page).locator('.row-amount').last()).toHaveText('120.00');
  const amounts = await rows(page).locator('.row-amount').allTextContents();
  for (const nth of [0, 2]) {
    await rows(page).nth(nth).locator('[data-cell=description]').focus();
    await page.keyboard.press('Control+Space');
  }
  await page.keyboard.press('Escape');
  await page.getByRole('toolbar', { name: 'Selected lines' }).getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByText('2 rows copied.')).toBeVisible();
  await expect.poll(() => clipboard(page)).toContain('Haul away');
  expect((await clipboard(page)).split('\n')[0]).toBe(
    'Code\tDescription\tQuantity\tUnit\tUnit cost\tUnit price\tAmount',
  );

  // Behind the last that is selected, in one step, and taken back in one.
  await page.keyboard.press('Control+v');
  await expect(page.getByText('2 rows pasted.').first()).toBeVisible();
  await expect.poll(() => words(page)).toEqual([first, second, third, first, third]);
  await expect(rows(page).locator('.row-amount')).toHaveText([...amounts, amounts[0]!, amounts[2]!]);
  await page.keyboard.press('Control+z');
  await expect(rows(page)).toHaveCount(3);
  await page.keyboard.press('Control+y');
  await expect(rows(page)).toHaveCount(5);
  await saved(page);

  await page.getByRole('button', { name: 'Clear' }).click();
  await rows(page).nth(1).locator('[data-cell=description]').focus();
  await page.keyboard.press('Control+Space');
  await page.keyboard.press('Control+x');
  await expect(rows(page)).toHaveCount(4);
  await saved(page);

  await begin(page, 'Rows to paste');
  await page.keyboard.press('Control+v');
  await expect(rows(page)).toHaveCount(1);
  await expect.poll(() => words(page)).toEqual([second]);
  await expect(rows(page).locator('.row-amount')).toHaveText(amounts[1]!);
  await saved(page);
  await page.reload();
  await expect(rows(page)).toHaveCount(1);
});

test('a table of a spreadsheet is pasted anywhere on the sheet, its headings and arithmetic read, what is not taken is said', async ({
  page,
}) => {
  await begin(page, 'A spreadsheet');
  await page.evaluate(() =>
    navigator.clipboard.writeText(
      [
        'Description\tQty\tUnit\tUnit cost\tUnit price\tVendor',
        'Bead board ceiling\t=12*14\tsf\t3.10\t6.40\tNorthgate',
        'Dumpster, 20 yd\t1\tea\t$410.00\t$620.00\t',
        'Trim to match\t=B2*2\troll\t1.80\t\t',
      ].join('\r\n'),
    ),
  );
  await page.locator('#add-line').blur();
  await page.keyboard.press('Control+v');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('3 pasted lines');
  await expect(dialog).toContainText('Nothing is taken from “Vendor”.');
  await expect(dialog).toContainText('Units not known here, taken as each: roll.');
  await expect(dialog).toContainText('1 formula over other cells is not read: paste values.');
  await expect(dialog.getByRole('radio', { name: 'cost and price, each as its column says' })).toBeChecked();
  await dialog.getByRole('button', { name: 'Add 3 lines' }).click();
  await expect(rows(page)).toHaveCount(3);
  await expect(rows(page).nth(0).locator('[data-cell=quantity]')).toHaveValue(/168|12\*14/);
  // 168 × 6.40 is 1,075.20; by hand.
  await expect(rows(page).nth(0).locator('.row-amount')).toHaveText('1,075.20');
  await expect(rows(page).nth(1).locator('.row-amount')).toHaveText('620.00');
  await expect(rows(page).nth(2).getByText('quantity not confirmed')).toBeVisible();
  await saved(page);
});

test('one list without sections, sorted by what it comes to; “to here” goes by what is shown; low rows stay low', async ({
  page,
}) => {
  await begin(page, 'One list');
  for (const [words, price] of [
    ['Small', '10'],
    ['Large', '500'],
    ['Middle', '50'],
  ]) {
    await page.keyboard.type(`1 ${words} @${price}`);
    await page.keyboard.press('Shift+Enter');
  }
  await expect(rows(page)).toHaveCount(3);
  await page.getByTitle('One list', { exact: true }).click();
  await expect(page.locator('tr.row-section')).toHaveCount(0);
  await page.getByRole('button', { name: 'Amount' }).click();
  await expect.poll(() => words(page)).toEqual(['Small', 'Middle', 'Large']);
  await page.getByRole('button', { name: 'Amount' }).click();
  await expect.poll(() => words(page)).toEqual(['Large', 'Middle', 'Small']);
  // No row jumps from under the hand: a changed amount stays where it is until it is sorted again.
  await rows(page).nth(2).locator('[data-cell=price]').fill('900');
  await page.keyboard.press('Enter');
  await expect(rows(page).nth(2).locator('.row-amount')).toHaveText('900.00');
  await expect.poll(() => words(page)).toEqual(['Large', 'Middle', 'Small']);
  await rows(page).nth(0).locator('[data-cell=description]').focus();
  await page.keyboard.press('Control+Space');
  await rows(page).nth(1).locator('[data-cell=description]').focus();
  await page.keyboard.press('Control+Shift+Space');
  await expect(page.getByText('2 selected')).toBeVisible();
  await page.getByRole('button', { name: 'Clear' }).click();
  await page.getByRole('button', { name: /^Columns/ }).click();
  await page.getByRole('checkbox', { name: 'Section' }).check();
  await page.getByRole('checkbox', { name: 'Low rows' }).check();
  await expect(rows(page).first()).toContainText('Porch');
  await saved(page);
  await page.reload();
  await expect(page.locator('table.sheet-low')).toBeVisible();
  await page.getByRole('button', { name: /^Columns/ }).click();
  await page.getByRole('checkbox', { name: 'Low rows' }).uncheck();
  await page.getByRole('checkbox', { name: 'Section' }).uncheck();
  await expect(page.locator('table.sheet-low')).toHaveCount(0);
});
