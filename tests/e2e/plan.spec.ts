import { Document, Page as PdfPage, Text, View, renderToBuffer } from '@react-pdf/renderer';
import type { Page } from '@playwright/test';
import { createElement as h } from 'react';
import { choose, begin, expect, saved, serious, test } from './desk';

/** A proposal from nothing with one section, on its plans. */
async function onPlans(page: Page, title: string): Promise<void> {
  await begin(page, title);
  await page.keyboard.press('Alt+p');
  await expect(page.getByRole('dialog')).toContainText('Add a plan');
}

/** Clicks at a place of the plan, in feet as the samples are drawn (400 plan units a foot). */
async function click(page: Page, ...places: readonly (readonly [number, number])[]): Promise<void> {
  for (const [x, y] of places) {
    const [left, top] = await page.evaluate(
      ([px, py]) => {
        const group = document.querySelector<SVGGElement>('.plan-sheet > g')!;
        const at = new DOMPoint(px! * 400, py! * 400).matrixTransform(group.getScreenCTM()!);
        return [at.x, at.y] as const;
      },
      [x, y],
    );
    await page.mouse.click(left, top);
  }
}
const tool = (page: Page, name: string) =>
  page.getByRole('toolbar', { name: 'Tools' }).getByRole('button', { name });
const traced = (page: Page) => page.getByRole('list', { name: 'Traced on this plan' }).getByRole('listitem');

test('a sample plan: scale, outline, cut-out, run, count; lines and a space follow; the customer sees it', async ({
  page,
}) => {
  await onPlans(page, `Measured ${Date.now() % 100_000}`);
  // A click on a dialog that is still opening may go beside the button.
  await expect(async () => {
    const sample = page.getByRole('button', { name: 'Rear of house, ground floor' });
    if (await sample.isVisible()) await sample.click({ timeout: 2000 });
    await expect(page.getByRole('dialog')).toBeHidden({ timeout: 5000 });
  }).toPass();
  await expect(tool(page, 'Scale')).toHaveAttribute('aria-pressed', 'true');

  // The two ends of the drawn dimension, and what it says.
  await click(page, [4, 1.6], [44, 1.6]);
  await page.getByLabel('How far apart are they?').fill('forty');
  await page.keyboard.press('Enter');
  await expect(page.getByText('cannot be read')).toBeVisible();
  await page.getByLabel('How far apart are they?').fill(`40' 0"`);
  await page.keyboard.press('Enter');
  await expect(tool(page, 'Outline')).toHaveAttribute('aria-pressed', 'true');

  // The porch, closed by Enter, and its name typed at once.
  await click(page, [10, 14], [26, 14], [26, 28], [10, 28]);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-cell=measure]:focus')).toHaveValue('Area 1');
  await page.keyboard.type('Porch floor');
  await page.keyboard.press('Enter');
  await expect(traced(page).first()).toContainText('porch_floor');
  await expect(traced(page).first()).toContainText(/22[34]\.?\d* sq ft/);

  // The chimney comes off; neighbours snap together, so that corners need no aim.
  await page.keyboard.press('x');
  await click(page, [22, 14.3], [25.9, 14.3], [25.9, 16], [22, 16], [22, 14.3]);
  await expect(traced(page).first()).toContainText(/21[67]\.?\d* sq ft/);

  await page.keyboard.press('r');
  await click(page, [2, 14], [2, 35], [48, 35], [48, 14]);
  await page.keyboard.press('Enter');
  await page.keyboard.type('Fence');
  await page.keyboard.press('Enter');
  await expect(traced(page).nth(1)).toContainText(/8[78]\.?\d* ft/);

  await page.keyboard.press('c');
  await click(page, [10, 21], [26, 21], [10, 28], [26, 28]);
  await expect(traced(page).nth(2)).toContainText('4');
  await page.keyboard.press('Control+z');
  await expect(traced(page).nth(2)).toContainText('3');
  await page.keyboard.press('Control+y');
  await expect(traced(page).nth(2)).toContainText('4');

  // The area is the space of the section; lines follow the names.
  await traced(page).first().click();
  await choose(page.getByLabel('Make Porch floor the dimensions of a section'), 'Porch');
  await expect(traced(page).first()).toContainText('1 follows it');
  expect(await serious(page)).toEqual([]);
  await page.getByLabel('The customer sees it').click();
  await saved(page);

  // Saved and opened again.
  await page.reload();
  await expect(traced(page)).toHaveCount(3);
  // A click before the page has woken up goes nowhere.
  await expect(async () => {
    await page.getByRole('button', { name: 'Back to the sheet' }).click({ timeout: 2000 });
    await expect(page.locator('#add-line')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await page.locator('#add-line').fill('3 joist');
  await expect(page.locator('.add-found li').first()).toContainText(/joist/i);
  await page.keyboard.press('Enter');
  const quantity = page.locator('tr.row [data-cell=quantity]').first();
  await quantity.fill('ceil(fence / 8ft)');
  await page.keyboard.press('Enter');
  await expect(quantity).toHaveValue('11');
  await expect(page.locator('tr.row-section').last()).toContainText(/21[67]\.?\d* sq ft/);
  await quantity.fill('count_1');
  await page.keyboard.press('Enter');
  await expect(quantity).toHaveValue('4');
  await saved(page);

  // Another label is another name, and the line goes with it.
  await page.keyboard.press('Alt+p');
  await traced(page).nth(2).locator('[data-cell=measure]').fill('Posts');
  await page.keyboard.press('Enter');
  await expect(traced(page).nth(2)).toContainText('posts · 1 follows it');
  await saved(page);

  const id = /proposals\/([0-9a-f-]{36})/.exec(page.url())![1];
  const link = await page.getByRole('link', { name: 'As GeoJSON' }).getAttribute('href');
  const json = (await (await page.request.get(link!)).json()) as {
    features: { geometry: { type: string; coordinates: unknown[][] }; properties: Record<string, string> }[];
  };
  expect(json.features.map(({ geometry, properties }) => [geometry.type, properties.name])).toEqual([
    ['MultiPolygon', 'porch_floor'],
    ['MultiLineString', 'fence'],
    ['MultiPoint', 'posts'],
  ]);
  expect(json.features[0]!.geometry.coordinates[0]).toHaveLength(2);

  await page.goto(`/preview/${id}`);
  const picture = page.getByRole('img', { name: /Rear of house, ground floor: Porch floor 21\d/ });
  await expect(picture).toBeVisible();
  // What formulas call it is ours.
  await expect(page.locator('body')).not.toContainText('porch_floor');
});

test('a page of a PDF becomes a plan; what is no picture is refused in words', async ({ page }) => {
  await onPlans(page, 'A plan from a PDF');
  const pdf = await renderToBuffer(
    h(
      Document,
      null,
      [1, 2].map((number) =>
        h(
          PdfPage,
          { key: number, size: 'LETTER' },
          h(
            View,
            { style: { margin: 60, width: 400, height: 300, borderWidth: 3 } },
            h(Text, null, `Floor ${number}`),
          ),
        ),
      ),
    ),
  );
  const choose = page.locator('input[type=file]');
  await choose.setInputFiles({
    name: 'notes.png',
    mimeType: 'image/png',
    buffer: Buffer.from('not a picture'),
  });
  await expect(page.getByRole('dialog')).toContainText('This is no picture that can be read');
  await choose.setInputFiles({
    name: 'broken.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from('%PDF-1.4 x'),
  });
  await expect(page.getByRole('dialog')).toContainText('This PDF cannot be read');
  await choose.setInputFiles({ name: 'house.pdf', mimeType: 'application/pdf', buffer: pdf });
  await page.getByRole('button', { name: 'Page 2' }).click();
  await expect(page.getByLabel('Plan', { exact: true })).toBeVisible();
  await expect(page.locator('.plan-bar')).toContainText('house, page 2');
  await expect(page.locator('.plan-sheet image')).toHaveAttribute('href', /api\/v1\/files/);
  await saved(page);

  // By keyboard alone: the cross, Space for a point, Enter to finish.
  await page.locator('.plan-sheet').focus();
  await page.keyboard.press('r');
  for (const key of ['ArrowRight', 'Space', 'ArrowRight', 'ArrowRight', 'Space', 'Enter'])
    await page.keyboard.press(key);
  await expect(traced(page)).toHaveCount(1);
  await expect(traced(page).first()).toContainText('Set the scale of “house, page 2”');
});
