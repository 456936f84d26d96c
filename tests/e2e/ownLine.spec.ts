import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { begin, choose, expect, saved, shownLink, test, tick } from './desk';

const total = (page: Page) => page.getByTestId('total');
const rowOf = (page: Page, name: string) =>
  page.locator('tr.row').filter({ has: page.locator(`[data-cell=description][value="${name}"]`) });

/** Opens the details of a line by key. */
async function details(page: Page, name: string) {
  await page.locator(`[data-cell=description][value="${name}"]`).focus();
  await page.keyboard.press('Alt+Enter');
  await expect(page.locator('.details')).toBeVisible();
}

test('a line of one’s own is a full line: a quote at its own markup, hours, days, a crew, equipment; typed fast over slow answers, kept in the library', async ({
  page,
}) => {
  await begin(page, 'A line of our own');
  await page.route('**/proposals/*', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    return route.continue();
  });
  const mark = `Chimney flashed ${Date.now()}`;
  await page.keyboard.type(`1 ${mark}`, { delay: 30 });
  await page.keyboard.press('Shift+Enter');
  await details(page, mark);
  const at = (label: string) => page.getByLabel(label, { exact: true });
  const fill = async (label: string, text: string) => {
    await at(label).focus();
    await page.keyboard.type(text, { delay: 30 });
    await page.keyboard.press('Tab');
  };
  await page.getByRole('button', { name: 'Add subcontract' }).click();
  await fill('Amount 1', '1000');
  await fill('Markup on subcontract, percent', '12');
  // 1,000.00 at 12 %, and nothing of the proposal’s overhead and profit on it.
  await expect(rowOf(page, mark).locator('[data-cell=price]')).toHaveValue('1,120.00');
  await page.getByRole('button', { name: 'Add labor' }).click();
  await fill('Hours 2', '2');
  await choose(at('How cost 2 is worked out'), 'overtime of');
  await expect(page.locator('.job-cost').first()).toContainText('1,138.00');
  await choose(at('How cost 2 is worked out'), 'days of');
  // Two days of eight normal hours, where no day rate is agreed.
  await expect(page.locator('.job-cost').first()).toContainText('1,736.00');
  await page.getByRole('button', { name: 'Add equipment' }).click();
  await choose(at('How cost 3 is worked out'), 'hours at');
  await fill('Amount 3', '3');
  await fill('Rate 3, typed', '42.50');
  await expect(page.locator('.job-cost').first()).toContainText('1,863.50');
  await page.getByRole('button', { name: 'Add crew' }).click();
  await expect(page.locator('.job-cost').first()).toContainText('1,974.00');
  await fill(`Cost code of ${mark}`, '04 00');
  await page.getByLabel('For the crew; never shown to the customer').fill('Ladder on the north side');
  const before = await total(page).textContent();
  await saved(page);
  await page.reload();
  await expect(total(page)).toHaveText(before!);
  await expect(page.getByText('for the crew: Ladder on the north side')).toBeVisible();

  // Kept in the library: it says what that makes, and the line costs and is priced as before.
  await details(page, mark);
  expect(
    (await new AxeBuilder({ page }).include('.details').analyze()).violations.map(({ id }) => id),
  ).toEqual([]);
  await page.getByRole('button', { name: 'Save to the library …' }).click();
  await expect(page.getByText(`Makes an item: “${mark}”, each, costs 1,974.00`)).toBeVisible();
  const code = `X-${Date.now()}`;
  await page.getByLabel('Code in the library').fill(code);
  await page.getByRole('textbox', { name: 'Trade' }).fill('Masonry');
  await page.getByRole('button', { name: 'Add to the library' }).click();
  await expect(page.getByText(`is in the library as ${code}.`)).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole('button', { name: 'Save to the library …' })).toHaveCount(0);
  await expect(total(page)).toHaveText(before!);
  await saved(page);
  await page.unroute('**/proposals/*');
  await page.locator('#add-line').fill(`2 ${code}`);
  await expect(page.locator('.add-found li').first()).toContainText(mark);
});

test('a line of the library says on this job what the library does not: marked, and taken back', async ({
  page,
}) => {
  await begin(page, 'Said otherwise');
  await page.keyboard.type('4 ledger board');
  await expect(page.locator('.add-found li').first()).toContainText('Ledger board');
  await page.keyboard.press('Enter');
  const name = 'Ledger board with flashing';
  await expect(rowOf(page, name)).toBeVisible();
  const before = await total(page).textContent();
  await details(page, name);
  await page.getByRole('button', { name: 'Cost, markup, tax and cost code' }).click();
  const fields = page.locator('.job-fields');
  await tick(fields.getByRole('checkbox', { name: 'All its hours at the overtime rate' }));
  await expect(total(page)).not.toHaveText(before!);
  await expect(rowOf(page, name)).toContainText('labor at the overtime rate');
  await tick(fields.getByRole('checkbox', { name: 'All its hours at the overtime rate' }), false);
  await choose(fields.getByLabel(/^Rate \d/).first(), 'Helper, 29.00');
  await expect(rowOf(page, name)).toContainText('costs of its own on this job');
  await page.getByLabel(`Cost code of ${name}`).fill('99 99');
  await page.getByLabel(`Cost code of ${name}`).press('Tab');
  await expect(rowOf(page, name)).toContainText('cost code of this job');
  await fields.getByText('its own markup').click();
  await expect(rowOf(page, name)).toContainText('markup of its own on this job');
  await saved(page);
  await page.reload();
  await expect(rowOf(page, name)).toContainText('costs of its own on this job');
  await details(page, name);
  // What is said otherwise stands open at once; one by one it is taken back.
  for (let left = 3; left > 0; left -= 1) {
    await expect(fields.getByRole('button', { name: 'Take it back' })).toHaveCount(left);
    await fields.getByRole('button', { name: 'Take it back' }).first().click();
  }
  await expect(fields.getByRole('button', { name: 'Take it back' })).toHaveCount(0);
  await expect(rowOf(page, name)).not.toContainText('on this job');
  await expect(total(page)).toHaveText(before!);
});

test('what waste did is said at the line, and the cost follows', async ({ page }) => {
  await begin(page, 'On order');
  await page.keyboard.type('100 lumber 2x8');
  await expect(page.locator('.add-found li').first()).toContainText('Lumber 2×8, treated');
  await page.keyboard.press('Enter');
  const row = rowOf(page, 'Lumber 2×8, treated');
  await expect(row).toContainText('material for 108 ft: 8 % waste');
  const cost = row.locator('[data-cell=cost]');
  const inAll = Number(await cost.inputValue());
  await cost.focus();
  // What is typed over is the unit cost; what is shown is what a foot comes to with its waste.
  await expect.poll(async () => Number(await cost.inputValue())).toBeLessThan(inAll);
});

test('nothing of what a line is made of reaches the customer', async ({ page }) => {
  const mark = `Secret ${Date.now()}`;
  await begin(page, mark);
  await page.keyboard.type('1 Mason');
  await page.keyboard.press('Shift+Enter');
  await details(page, 'Mason');
  await page.getByRole('button', { name: 'Add subcontract' }).click();
  await page.getByLabel('Amount 1', { exact: true }).fill('777.31');
  await page.getByLabel('Markup on subcontract, percent').fill('13.371');
  await page.getByLabel('For the crew; never shown to the customer').fill('Mind the wasps');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  const link = await shownLink(page);
  const answers: string[] = [];
  page.on('response', async (response) => answers.push(await response.text().catch(() => '')));
  await page.goto(link);
  await expect(page.getByText('Mason', { exact: true })).toBeVisible();
  const all = [...answers, await page.content()].join(' ');
  for (const secret of ['777.31', '13.371', 'wasps', 'fromLibrary', 'markups'])
    expect(all).not.toContain(secret);
});
