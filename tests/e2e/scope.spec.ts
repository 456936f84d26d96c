import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { begin, choose, expect, saved, serious, test } from './desk';

const total = (page: Page) => page.getByTestId('total');
const input = (page: Page, label: string) => page.locator(`.inputs [aria-label^="${label}"]`);

test('one bundle from three typed dimensions, its grade, a part changed and taken back', async ({ page }) => {
  await begin(page, 'A bundle by keyboard');
  await page.keyboard.type('guard railing');
  await expect(page.locator('.add-found li').first()).toContainText('Guard railing');
  await page.keyboard.press('Enter');
  await expect(input(page, 'Run')).toBeFocused();
  await page.keyboard.type('12+16+12');
  await page.keyboard.press('Enter');
  await expect(input(page, 'Between posts')).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#add-line')).toBeFocused();
  const row = page.locator('tr.row-bundle');
  await expect(row.locator('[data-cell=description]')).toHaveValue('Guard railing, 40 ft');
  // 40 ft at 6 ft: 7 bays, 8 posts; balusters each 5 in.
  const quantity = (name: string) => page.locator(`tr.row-part [aria-label="Quantity of ${name}"]`);
  await expect(quantity('Guard post 4×4, treated')).toHaveValue('8');
  await expect(quantity('Baluster, square 1 1/2 in')).toHaveValue('96');
  const before = await total(page).textContent();

  await page.locator('.input-grade').getByText('cedar', { exact: true }).click();
  await expect(quantity('Guard post 4×4, cedar')).toHaveValue('8');
  await expect(total(page)).not.toHaveText(before!);
  await page.locator('.input-grade').getByText('treated pine', { exact: true }).click();
  await expect(total(page)).toHaveText(before!);

  await quantity('Guard post 4×4, treated').fill('ceil(run / 5ft) + 1');
  await page.keyboard.press('Enter');
  await expect(quantity('Guard post 4×4, treated')).toHaveValue('9');
  await expect(
    page.getByText('quantity changed on this job, the bundle has ceil(run / bay) + 1'),
  ).toBeVisible();
  await expect(row).toContainText('1 changed on this job');
  await page.getByRole('button', { name: 'Undo the change of Guard post' }).click();
  await expect(total(page)).toHaveText(before!);

  // A part of this job only, from the library; Escape goes back to the section.
  await page.getByRole('button', { name: 'Add a part on this job' }).click();
  await page.keyboard.type('1 handrail cedar');
  await expect(page.locator('.add-found li').first()).toContainText('Handrail, cedar');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Quantity of Handrail, cedar')).toHaveValue('1');
  await expect(row).toContainText('1 changed on this job');
  await page.getByLabel('Quantity of Handrail, cedar').focus();
  await page.keyboard.press('Control+Delete');
  await expect(total(page)).toHaveText(before!);

  // A formula that cannot be is said at its place; the rest goes on computing.
  await quantity('Guard rail 2×4, treated').fill('run + postts');
  await page.keyboard.press('Enter');
  await expect(page.locator('tr.row-part .wrong').first()).toContainText('“postts” is not known here.');
  await expect(quantity('Guard post 4×4, treated')).toHaveValue('8');
  await page.keyboard.press('Control+z');
  await expect(total(page)).toHaveText(before!);
  await saved(page);
  expect((await new AxeBuilder({ page }).include('.bench').analyze()).violations.map(({ id }) => id)).toEqual(
    [],
  );
  await page.reload();
  await expect(page.locator('tr.row-bundle [data-cell=description]')).toHaveValue('Guard railing, 40 ft');
});

test('a section’s space: lines and bundles follow it', async ({ page }) => {
  await begin(page, 'A room that grows');
  await page.locator('tr.row-section-current [data-cell=description]').focus();
  await page.keyboard.press('Alt+m');
  await expect(page.getByLabel('Length', { exact: true })).toBeFocused();
  await page.keyboard.type(`15`);
  await page.keyboard.press('Enter');
  await page.keyboard.type('16');
  await page.keyboard.press('Enter');
  await page.keyboard.type('9');
  await page.keyboard.press('Enter');
  await expect(page.locator('.space-figures')).toContainText(
    '15 ft by 16 ft, 9 ft high · floor 240 sq ft · perimeter 62 ft · walls 558 sq ft',
  );
  await page.locator('#add-line').fill('lined walls');
  await expect(page.locator('.add-found li').first()).toContainText('Walls and ceiling lined');
  await page.keyboard.press('Enter');
  const drywall = page.locator('tr.row-part [aria-label="Quantity of Drywall 1/2 in"]');
  await expect(drywall).toHaveValue('798');
  await expect(page.getByText('from the dimensions: walls + ceiling')).toBeVisible();
  // Who waits is led to the bundle's inputs; whoever types on before that stays where they type.
  await expect(page.getByLabel('Surface, sq ft')).toBeFocused();

  await page.locator('#add-line').fill('10 cork floor');
  await expect(page.locator('.add-found li').first()).toContainText('Cork floor');
  await page.keyboard.press('Enter');
  const cork = page.getByLabel('Quantity of Cork floor, floating');
  await cork.fill('floor - 12');
  await page.keyboard.press('Enter');
  await expect(cork).toHaveValue('228');
  await page.getByLabel('Length', { exact: true }).fill(`15' 6"`);
  await page.keyboard.press('Enter');
  await expect(cork).toHaveValue('236');
  await expect(drywall).toHaveValue('815');
  await expect(page.getByLabel('Tally')).toContainText('248 sq ft of floor');
  await saved(page);
});

test('a room’s size is shared by sections and lines', async ({ page }) => {
  await begin(page, 'One room, three trades');
  await page.getByRole('button', { name: 'Rooms' }).click();
  const drawer = page.getByRole('dialog', { name: 'Rooms' });
  await expect(drawer).toContainText('No room is named');
  await drawer.getByLabel('New room').focus();
  await page.keyboard.type('Sunroom', { delay: 30 });
  await page.keyboard.press('Tab');
  await page.keyboard.type('15 by 16', { delay: 30 });
  await page.keyboard.press('Enter');
  await expect(drawer.getByRole('alert')).toHaveText('Length and width, then the height: 15 x 16 x 9.');
  await drawer.getByLabel('Length x width x height').fill('15 x 16 x 9');
  await page.keyboard.press('Enter');
  const card = drawer.getByRole('region', { name: 'Sunroom' });
  await expect(card).toContainText('floor 240 sq ft · perimeter 62 ft · walls 558 sq ft');
  await expect(card).toContainText('Nothing follows this size yet.');
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();

  // The section takes its size from the room, a line elsewhere by naming it.
  await page.locator('tr.row-section-current [data-cell=description]').focus();
  await page.keyboard.press('Alt+m');
  await page.getByLabel('Sized by').selectOption('Sunroom');
  await expect(page.locator('.row-section').last()).toContainText('Sunroom, 240 sq ft');
  await page.locator('#add-line').fill('10 cork floor');
  await expect(page.locator('.add-found li').first()).toContainText('Cork floor');
  await page.keyboard.press('Enter');
  const cork = page.getByLabel('Quantity of Cork floor, floating');
  await cork.fill('floor');
  await page.keyboard.press('Enter');
  await expect(cork).toHaveValue('240');
  await expect(page.locator('.space-room')).toHaveText('The room “Sunroom”. Only this section follows it.');
  await page.getByLabel('Length', { exact: true }).fill('20');
  await page.keyboard.press('Enter');
  await expect(cork).toHaveValue('320');

  await page.getByRole('button', { name: 'Rooms 1' }).click();
  await card.getByLabel('Width', { exact: true }).fill('10');
  await page.keyboard.press('Enter');
  await expect(card).toContainText('floor 200 sq ft');
  // Typed with rests, half a name is no name yet.
  await card.getByLabel('Name of Sunroom').focus();
  await page.keyboard.type('Gar');
  await page.waitForTimeout(600);
  await expect(card.getByLabel('Name of Sunroom')).toHaveValue('Gar');
  await page.keyboard.type('den room');
  await page.keyboard.press('Enter');
  const renamed = drawer.getByRole('region', { name: 'Garden room' });
  await expect(renamed).toContainText('Sizes Porch.');
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();
  // A cell that is in hand shows its formula.
  await page.getByRole('button', { name: 'Rooms 1' }).focus();
  await expect(cork).toHaveValue('200');

  // A label gets a size, and is followed from then on.
  await cork.press('Control+Space');
  await choose(page.getByLabel('What they belong to'), 'Room');
  await page.getByRole('combobox', { name: 'Room', exact: true }).fill('Loft');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Rooms 1' }).click();
  const loft = drawer.getByRole('region', { name: 'Loft' });
  await loft.getByLabel(/^No size yet/).focus();
  await page.keyboard.type('12 x 1');
  await page.waitForTimeout(600);
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await expect(loft).toContainText('floor 132 sq ft');
  await expect(loft).toContainText('Sizes 1 line.');
  await page.keyboard.press('Escape');
  await expect(cork).toHaveValue('132');
  await cork.press('Control+z');
  await cork.press('Control+z');
  await expect(cork).toHaveValue('200');
  await saved(page);
  await page.reload();
  await expect(page.locator('.row-section').last()).toContainText('Garden room, 200 sq ft');
  await expect(cork).toHaveValue('200');
});

test('copy, select, move, fold, filter, keys', async ({ page }) => {
  await begin(page, 'Many things at once');
  for (const [typed, found] of [
    ['5 stair riser', 'Stair, one riser'],
    ['380 sf screen mesh @2.15', 'Screen mesh'],
    ['joist hanger', 'Joist hanger'],
  ] as const) {
    await page.keyboard.type(typed);
    await expect(page.locator('.add-found li').first()).toContainText(found);
    await page.keyboard.press('Enter');
    await expect(page.locator('#add-line')).toHaveValue('');
  }
  await expect(page.getByLabel('Unit price of Screen mesh').first()).toHaveValue('2.15');
  await expect(page.getByLabel('Quantity of Screen mesh').first()).toHaveValue('380');
  // What is often used here comes without a word typed.
  await saved(page);
  await page.locator('#add-line').press('ArrowDown');
  await expect(page.locator('.add-found li').first()).toBeVisible();
  await page.keyboard.press('Escape');

  await page.locator('tr.row-section-current [data-cell=description]').focus();
  await page.keyboard.press('Alt+c');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('Porch (copy)');
  await expect(page.locator('tr.row')).toHaveCount(6);
  const first = page.locator('tr.row').first().locator('[data-cell=description]');
  await first.focus();
  await page.keyboard.press('Control+Space');
  await page.locator('tr.row').nth(1).locator('[data-cell=description]').focus();
  await page.keyboard.press('Control+Shift+Space');
  await expect(page.getByRole('toolbar')).toContainText('2 selected');
  await page.getByRole('combobox', { name: 'Move to section' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('Porch (copy)').click();
  await expect(page.locator('tr.row').nth(0).locator('[data-cell=description]')).toHaveValue(/Joist hanger/);

  await page.getByRole('combobox', { name: 'Lines shown' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('Fixed prices').click();
  await expect(page.locator('tr.row')).toHaveCount(2);
  await page.getByRole('combobox', { name: 'Lines shown' }).click();
  await page.locator('.ant-select-dropdown:visible').getByTitle('All lines').click();
  await page.getByText('Trade', { exact: true }).click();
  await expect(page.locator('.row-group')).toHaveText(['Frame', 'Screens and glass']);
  await page.getByText('By section', { exact: true }).click();

  await page.locator('#add-line').focus();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('To the add line');
  await page.keyboard.press('Escape');
  await saved(page);
});

test('several pasted lines are matched where they fit well, looked through and added', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await begin(page, 'Pasted');
  await page.evaluate(() =>
    navigator.clipboard.writeText(
      'Qty\tUnit\tDescription\tPrice\n12\tea\tJoist hanger screws\t\n2\thr\tShingles architectural\t\n3\t\tGnome, painted\t$1,250.00',
    ),
  );
  await page.locator('#add-line').focus();
  await page.keyboard.press('Control+v');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('3 pasted lines');
  await expect(dialog.getByText('Joist hanger with screws')).toBeVisible();
  // Hours are no squares: it is not taken for the shingles, only offered.
  await expect(dialog.getByText('A line of its own')).toHaveCount(2);
  // What the amount is has to be said.
  await expect(dialog.getByRole('button', { name: 'Add 3 lines' })).toBeDisabled();
  await dialog.getByLabel('what it costs us').check();
  await dialog.getByRole('button', { name: 'Add 3 lines' }).click();
  await expect(page.locator('tr.row')).toHaveCount(3);
  await expect(page.getByLabel('Quantity of Gnome, painted')).toHaveValue('3');
  await expect(page.getByLabel('Unit cost of Gnome, painted')).toHaveValue('1,250.00');
  // A line of one's own: its unit can be set, and without a price it is an open point.
  await expect(
    page.locator('tr.row', { has: page.getByLabel('Quantity of Shingles architectural') }),
  ).toContainText('has no price yet');
  await page.getByLabel('Unit of Gnome, painted').selectOption('set');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Unit of Gnome, painted')).toHaveValue('set');
});

test('a pasted list of hundreds of lines comes in whole', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await begin(page, 'Pasted, many');
  const list = Array.from({ length: 450 }, (_, i) => `${i + 1}\tea\tOddment number ${i + 1}`).join('\n');
  await page.evaluate((text) => navigator.clipboard.writeText(text), list);
  await page.locator('#add-line').focus();
  await page.keyboard.press('Control+v');
  await page.getByRole('dialog').getByRole('button', { name: 'Add 450 lines' }).click({ timeout: 60_000 });
  await saved(page);
  const id = /proposals\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const stored = await page.request.get(`/api/v1/proposals/${id}/document.json`);
  const { sections } = (await stored.json()) as {
    sections: { entries: { description: string; quantity: string }[] }[];
  };
  expect(sections.flatMap(({ entries }) => entries.map(({ quantity }) => quantity))).toEqual(
    Array.from({ length: 450 }, (_, i) => String(i + 1)),
  );
});

test('a bundle kept as a new one in the library, found again, and refreshed', async ({ page }) => {
  await begin(page, 'Back to the library');
  await page.keyboard.type('30 guard railing');
  await expect(page.locator('.add-found li').first()).toContainText('Guard railing');
  await page.keyboard.press('Enter');
  // The first input took what was typed before the words.
  await expect(input(page, 'Between posts')).toBeFocused();
  await page.keyboard.type('5');
  await page.keyboard.press('Enter');
  await expect(page.locator('tr.row-bundle [data-cell=description]')).toHaveValue('Guard railing, 30 ft');
  const code = `B-T${Date.now() % 100000}`;
  await page.locator('tr.row-bundle').hover();
  await page.getByRole('button', { name: /More for Guard railing/ }).click();
  await page.getByText('Library: refresh, save back').click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('Take it anew from the library')).toBeVisible();
  await expect(dialog).toContainText('It stands in no other bundle.');
  await dialog.getByLabel('Code').fill(code);
  await dialog.getByLabel('Name').fill(`Tight railing ${code} {run}`);
  await dialog.getByRole('button', { name: 'Add to the library' }).click();
  await expect(dialog.getByText(`is in the library as ${code}`)).toBeVisible();
  await dialog.getByRole('button', { name: 'Refresh this bundle' }).click();
  await page.locator('#add-line').fill(`tight ${code}`);
  await expect(page.locator('.add-found li').first()).toContainText('Tight railing');
  await saved(page);
});

test('a proposal kept as a template, and copied for another customer', async ({ page }) => {
  const mark = String(Date.now() % 100_000);
  await begin(page, `Original ${mark}`);
  await page.keyboard.type('7 stair riser');
  await expect(page.locator('.add-found li').first()).toContainText('Stair, one riser');
  await page.keyboard.press('Enter');
  await saved(page);
  const before = await total(page).textContent();
  await page.getByRole('button', { name: 'More for this proposal' }).click();
  await page.getByText('Keep as a template').click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill(`Steps ${mark}`);
  await dialog.getByRole('button', { name: 'Keep the template' }).click();
  await expect(dialog.getByText('is a template now')).toBeVisible();
  await dialog.locator('.ant-modal-footer').getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'More for this proposal' }).click();
  await page.getByText('Copy for another customer or site').click();
  await page.waitForURL('**/proposals/new?from=*');
  await expect(page.getByText(`Steps ${mark}`)).toBeVisible();
  await expect(page.getByLabel('Title, as the customer reads it')).toHaveValue(`Original ${mark}`);
  await page.getByRole('combobox').first().fill('Tillotsen');
  await page.keyboard.press('Enter');
  await page.getByLabel('Title, as the customer reads it').fill(`Copied ${mark}`);
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await expect(page.getByRole('link', { name: 'Bram Tillotsen' })).toBeVisible();
  await expect(total(page)).toHaveText(before!);
});

test('far down a long proposal a bundle still asks its inputs at once', async ({ page }) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await page.waitForSelector('#add-line');
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.locator('#add-line')).toBeFocused({ timeout: 1000 });
  }).toPass();
  await page.keyboard.type('shed roof');
  await expect(page.locator('.add-found li').first()).toContainText('Shed roof');
  await page.keyboard.press('Enter');
  await expect(page.locator('.inputs [data-cell=input]').first()).toBeFocused();
  for (const typed of ['18', '14', '2']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('tr.row-bundle').last()).toContainText('18 ft · 14 ft · 2 ft');
  await page.locator('.editor-actions').getByRole('button', { name: 'Undo' }).click();
  while (await page.locator('.editor-actions').getByRole('button', { name: 'Undo' }).isEnabled())
    await page.locator('.editor-actions').getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test('details open where the eye is: into them and back by keys, in view also at the foot of the sheet', async ({
  page,
}) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  const sheet = page.locator('.bench-scroll');
  // A question has no details of its own.
  const lines = sheet.locator(
    'tr.row:not(.row-section, .row-bundle, .row-inner, .row-question) [data-cell=description]',
  );
  await expect(lines.first()).toBeVisible();
  const foot = async () => {
    const box = (await sheet.boundingBox())!;
    return box.y + box.height;
  };
  // The line that stands last in view.
  const at = await lines.evaluateAll((all) => {
    const end = document.querySelector('.bench-scroll')!.getBoundingClientRect().bottom;
    return all.findLastIndex((cell) => cell.getBoundingClientRect().bottom < end - 4);
  });
  const line = lines.nth(at);
  const name = await line.inputValue();
  await line.focus();
  await page.keyboard.press('Alt+Enter');
  const details = sheet.locator('.details');
  await expect(details).toBeVisible();
  await expect(details.locator(':focus')).toHaveCount(1);
  await expect(async () => {
    const box = (await details.boundingBox())!;
    expect(box.y + box.height).toBeLessThanOrEqual((await foot()) + 1);
  }).toPass();
  await details.getByLabel('Only for us; never shown to the customer').fill('');
  await page.keyboard.type('Ask at the mill.', { delay: 30 });
  await page.keyboard.press('Escape');
  await expect(details).toHaveCount(0);
  await expect(page.locator(':focus')).toHaveValue(name);
  await page.keyboard.press('Alt+Enter');
  await expect(details.getByLabel('Only for us; never shown to the customer')).toHaveValue(
    'Ask at the mill.',
  );
  await details.getByLabel('Only for us; never shown to the customer').fill('');
  await details.getByRole('button', { name: 'Close details' }).click();
  await expect(page.locator(':focus')).toHaveValue(name);
  await saved(page);
});
