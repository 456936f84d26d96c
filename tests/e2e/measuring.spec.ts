import { readFileSync } from 'node:fs';
import type { ProposalDocument } from '@/model';
import { begin, expect, saved, test } from './desk';

test('meters typed where a line is in feet, fast and over slow answers; a size that does not fit is said', async ({
  page,
}) => {
  await begin(page, 'Meters on a job in feet');
  await page.route('**/proposals/*', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    return route.continue();
  });
  for (const typed of ['12 m2 decking treated', '3.5 m handrail cedar']) {
    await page.keyboard.type(typed, { delay: 30 });
    await page.keyboard.press('Enter');
  }
  // 12 m² are 129.167 sq ft, 3.5 m 11.483 ft.
  const decking = page.getByLabel('Quantity of Decking, treated pine 5/4×6');
  const rail = page.getByLabel('Quantity of Handrail, cedar');
  await expect(decking).toHaveValue('129.167');
  await expect(rail).toHaveValue('11.483');
  await rail.focus();
  await page.keyboard.type('250 cm', { delay: 30 });
  await page.keyboard.press('Enter');
  await expect(rail).toHaveValue('8.202');
  await rail.focus();
  await page.keyboard.type('3 m2', { delay: 30 });
  await page.keyboard.press('Enter');
  await expect(page.getByText('This comes to an area, but ft measures a length.')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(decking).toHaveValue('129.167');
  await expect(rail).toHaveValue('8.202');
  // What was typed is there again when it is gone over.
  await decking.focus();
  await expect(decking).toHaveValue('12 m2');
});

test('a job in meters: rooms, bundles and prices by the floor are typed and read in them, Back and reload too', async ({
  page,
}) => {
  const document = {
    ...(JSON.parse(readFileSync('docs/formats/example.json', 'utf8')) as ProposalDocument),
    title: 'A sunroom in meters',
    measuring: 'metric',
  };
  await page.goto('/proposals/new');
  await page.getByRole('combobox').first().pressSequentially('Brannock');
  await page.keyboard.press('Enter');
  await page.getByLabel('A proposal document (JSON)').check();
  await page.getByLabel('Proposal document', { exact: true }).setInputFiles({
    name: 'meters.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(document)),
  });
  await expect(page.getByText('meters.json')).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  await page.waitForSelector('#add-line');

  await page.getByRole('button', { name: 'Add dimensions' }).first().click();
  await page.getByLabel('Length', { exact: true }).focus();
  for (const side of ['4.5', '4', '2.4+0.1']) {
    await page.keyboard.type(side, { delay: 30 });
    await page.keyboard.press('Enter');
  }
  const figures = page.locator('.space-figures');
  await expect(figures).toContainText(
    '4.5 m by 4 m, 2.5 m high · floor 18 m² · perimeter 17 m · walls 42.5 m²',
  );
  await expect(figures).toContainText('per m²');
  await expect(page.locator('.outline-space')).toHaveText('18 m²');
  await expect(page.locator('.tally')).toContainText('per m², 18 m² of floor');
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue('2.5 m');

  // A bundle made for feet is typed in meters.
  await page.locator('#add-line').focus();
  await page.keyboard.type('6 glazed wall', { delay: 30 });
  await expect(page.getByRole('option').filter({ hasText: 'Glazed wall' }).first()).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Run, m')).toHaveValue('6 m');
  await saved(page);
  await page.reload();
  await expect(page.locator('.outline-space')).toHaveText('18 m²');
  await page.goto('/proposals');
  await page.goBack();
  await expect(page.locator('.tally')).toContainText('18 m² of floor');
  await expect(page.locator('.tally')).not.toContainText('sq ft');
});
