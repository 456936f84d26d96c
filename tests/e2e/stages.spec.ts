import sharp from 'sharp';
import { expect, serious, test, tick } from './desk';

/* How far the stages of all agreements are, reported on one page; their photos. */

const photo = (shade: number) =>
  sharp({ create: { width: 64, height: 48, channels: 3, background: { r: shade, g: 120, b: 90 } } })
    .jpeg()
    .toBuffer();

test('progress of several stages is reported by quick hands over slow answers, filtered, and billed as far as it is', async ({
  page,
}) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Stages', exact: true }).click();
  await page.waitForURL('**/agreements/stages');
  const rows = page.locator('.list-table tbody tr.ant-table-row');
  await page.getByPlaceholder('Find by stage, agreement, customer, address').fill('Withy Court');
  await expect(rows).toHaveCount(3);
  expect(await serious(page)).toEqual([]);
  const percent = (stage: string) => page.getByLabel(`Percent done of ${stage}, Back porch at Withy Court`);
  await page.route('**/agreements/stages**', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.continue();
  });
  // Down the column as in a spreadsheet; what cannot be is said where it is typed.
  await percent('Roof tight').focus();
  await page.keyboard.type('140', { delay: 30 });
  await percent('Frame stands').focus();
  await expect(page.getByRole('alert').filter({ hasText: 'in percent from 0 to 100' })).toBeVisible();
  await page.keyboard.type('60', { delay: 30 });
  await percent('Roof tight').focus();
  await page.keyboard.type('25%', { delay: 30 });
  await page.keyboard.press('Tab');
  // Said again before the first answer is there: the last word counts.
  await percent('Frame stands').focus();
  await page.keyboard.type('65', { delay: 30 });
  await page.keyboard.press('Tab');
  await expect(percent('Frame stands')).toHaveValue('65');
  await expect(percent('Roof tight')).toHaveValue('25');
  const state = (stage: string) => rows.filter({ has: percent(stage) }).locator('.state');
  await expect(state('Frame stands')).toContainText('Under way');
  await expect(state('Roof tight')).toContainText('Under way');
  await expect(percent('Frame stands')).toHaveValue('65');
  await page.unroute('**/agreements/stages**');
  await page.reload();
  await expect(percent('Frame stands')).toHaveValue('65');
  await expect(percent('Roof tight')).toHaveValue('25');

  await page.goto('/agreements/stages?state=under+way&search=Withy+Court');
  await expect(rows).toHaveCount(2);
  await rows
    .filter({ has: percent('Frame stands') })
    .getByRole('link', { name: 'Bill work' })
    .click();
  await page.waitForURL(/bill\?stage=Frame/);
  await expect(page.getByTestId('bill-sums')).toBeVisible();
  const percents = page.locator('.bill-table input[data-cell=percent]');
  await expect
    .poll(() => percents.evaluateAll((cells) => cells.map((cell) => (cell as HTMLInputElement).value)))
    .toContain('65');
  await page.goBack();

  // Several at once, and as it was.
  await rows.first().getByRole('checkbox').check();
  await rows.nth(1).getByRole('checkbox').check();
  await page.getByRole('button', { name: '50 %' }).click();
  await expect(percent('Roof tight')).toHaveValue('50');
  await expect(percent('Frame stands')).toHaveValue('50');
  for (const stage of ['Roof tight', 'Frame stands']) {
    await percent(stage).focus();
    await page.keyboard.type('0');
    await page.keyboard.press('Tab');
  }
  await expect(rows).toHaveCount(0);
});

test('photos of a stage are taken in together, say what they show, and are taken off', async ({ page }) => {
  await page.goto('/agreements/stages?search=Withy+Court');
  const rows = page.locator('.list-table tbody tr.ant-table-row');
  const show = (count: number) =>
    page.getByRole('button', { name: `Photos of Completion, Back porch at Withy Court: ${count}` });
  await show(0).click();
  const drawer = page.getByRole('dialog', { name: 'Photos: Completion' });
  await expect(drawer.getByText('No photo yet.')).toBeVisible();
  await drawer.locator('input[type=file]').setInputFiles([
    { name: 'sills.jpg', mimeType: 'image/jpeg', buffer: await photo(40) },
    { name: 'posts.jpg', mimeType: 'image/jpeg', buffer: await photo(200) },
    { name: 'not a picture.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') },
  ]);
  const shown = drawer.locator('.stage-photos li');
  await expect(shown).toHaveCount(2);
  await expect(drawer.getByRole('alert')).toContainText('not a picture.jpg');
  await drawer.getByLabel('What sills.jpg shows').pressSequentially('Sills on the piers', { delay: 30 });
  await page.keyboard.press('Enter');
  expect(await serious(page)).toEqual([]);
  // They can go with the invoice of the stage: the letter says so as it is shown before.
  await page.goto('/agreements/stages?search=Withy+Court');
  await rows
    .filter({ has: show(2) })
    .getByRole('link', { name: 'Back porch at Withy Court' })
    .click();
  await page.waitForURL(/\/agreements\/[0-9a-f-]{36}$/);
  await page.goto(`${page.url()}/bill?stage=Completion`);
  await page.getByRole('button', { name: 'Issue invoice' }).click();
  const dialog = page.getByRole('dialog', { name: /^Issue invoice/ });
  await tick(dialog.getByLabel('Invoice as PDF'));
  await tick(dialog.getByLabel('Completion: Sills on the piers'));
  await expect(
    dialog.getByText(/Attached: invoice \d{4}-\d{3}\.pdf, photo “Sills on the piers”\./),
  ).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Not yet' }).click();
  await page.goto('/agreements/stages?search=Withy+Court');
  await show(2).click();
  await expect(drawer.getByLabel('What sills.jpg shows')).toHaveValue('Sills on the piers');
  for (const name of ['sills.jpg', 'posts.jpg'])
    await drawer.getByRole('button', { name: `Remove ${name}` }).click();
  await expect(shown).toHaveCount(0);
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(show(0)).toBeVisible();
});
