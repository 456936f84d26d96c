import type { Page } from '@playwright/test';
import { begin, cents, expect, saved, serious, test } from './desk';

const views = [
  '/today',
  '/proposals',
  '/proposals/new',
  '/customers',
  '/library',
  '/library?view=trades',
  '/agreements',
  '/money',
  '/money/payments',
  '/money/costs',
  '/money/accountant',
  '/reports',
  '/settings',
  '/settings#about=pricing',
  '/settings#about=invoices',
  '/settings#about=late',
  '/settings#about=you',
  '/outbox',
];

/** Nothing reaches over the screen to the right, but what scrolls by itself. */
const wide = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);

/** What can be pressed and is lower than a finger needs, in view. */
const small = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('main button, main a.ant-btn, .tally-foot, .rail button')]
      .filter((each) => {
        const { width, height } = each.getBoundingClientRect();
        // The sign that empties a field is reached by the field’s own.
        return width > 0 && height > 0 && height < 39.5 && !each.className.includes('clear');
      })
      .map((each) => `${each.className} ${Math.round(each.getBoundingClientRect().height)}`),
  );

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

  test('a proposal is made by touch: sections in a drawer, lines added, copied and moved, the tally at the foot', async ({
    page,
  }) => {
    await begin(page, `Tablet ${Date.now() % 100_000}`);
    const foot = page.getByTestId('foot-total');
    const add = page.locator('#add-line');
    for (const [typed, rows] of [
      ['12 joist hanger', 1],
      ['4 footing, 12 in', 2],
    ] as const) {
      await add.fill(typed);
      await expect(page.locator('.add-found li').first()).toBeVisible();
      await page.getByRole('button', { name: 'Add', exact: true }).tap();
      await expect(page.locator('tr.row')).toHaveCount(rows);
    }
    await saved(page);
    const before = cents(await foot.textContent());
    expect(before).toBeGreaterThan(0n);

    const second = page.locator('tr.row').nth(1);
    await second.getByRole('button', { name: /^More for/ }).tap();
    await page.getByRole('menuitem', { name: /^Copy/ }).tap();
    await expect(page.locator('tr.row')).toHaveCount(3);
    await expect.poll(async () => cents(await foot.textContent())).toBeGreaterThan(before);
    const name = (at: number) => page.locator('tr.row').nth(at).locator('[data-cell=description]');
    const moved = await name(1).inputValue();
    await second.getByRole('button', { name: /^More for/ }).tap();
    await page.getByRole('menuitem', { name: /^Move up/ }).tap();
    await expect(name(0)).toHaveValue(moved);

    const heads = page.locator('tr.row-section');
    const sectionsBefore = await heads.count();
    await page.getByRole('button', { name: 'Sections' }).tap();
    const sections = page.getByRole('dialog', { name: 'Sections' });
    await sections
      .getByRole('button', { name: /Section/ })
      .last()
      .tap();
    await expect(sections).toHaveCount(0);
    await expect(heads).toHaveCount(sectionsBefore + 1);
    await saved(page);

    await page.locator('.tally-foot').tap();
    const tally = page.getByRole('dialog', { name: 'Tally' });
    await expect(tally.getByTestId('total')).toHaveText((await foot.textContent())!);
    await tally.getByRole('button', { name: 'Close' }).tap();
    for (const step of ['Choices', 'Price', 'Payments', 'Wording', 'Send', 'Scope']) {
      await page.locator('.steps').getByRole('button', { name: step }).tap();
      await expect(page.locator('[aria-current=step]')).toHaveText(new RegExp(step));
      expect([step, await wide(page)]).toEqual([step, 0]);
    }
    expect(await small(page)).toEqual([]);
    expect(await serious(page)).toEqual([]);
    // Turned, and back at a desk, the sections and the tally stand beside the sheet again.
    await page.setViewportSize({ width: 1024, height: 768 });
    await expect(page.locator('.tally-foot')).toBeVisible();
    expect(await wide(page)).toBe(0);
    await page.setViewportSize({ width: 1280, height: 800 });
    await expect(page.locator('.tally-foot')).toHaveCount(0);
    await expect(page.getByRole('navigation', { name: 'Outline' })).toBeVisible();
  });

  test('columns give way to the description, and that they do is said', async ({ page }) => {
    await page.goto('/proposals');
    await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
    await page.waitForURL('**/proposals/*-*');
    const heads = page.locator('.sheet thead th');
    await expect(heads.filter({ hasText: 'Cost' })).toBeVisible();
    await page.getByRole('button', { name: /^Columns/ }).click();
    const list = page.getByRole('group', { name: 'Columns' });
    for (const column of ['Hours', 'Margin', 'Code'])
      await list.getByRole('checkbox', { name: new RegExp(`^${column}`) }).check();
    await expect(list.getByText('no room here').first()).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /without room$/ })).toBeVisible();
    expect(await wide(page)).toBe(0);
    const description = page.locator('tr.row [data-cell=description]').first();
    expect((await description.boundingBox())!.width).toBeGreaterThan(180);
    await page.getByRole('button', { name: /^Columns/ }).click();
    for (const column of ['Hours', 'Margin', 'Code'])
      await list.getByRole('checkbox', { name: new RegExp(`^${column}`) }).uncheck();
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('no view scrolls sideways, and what is pressed is as high as a finger needs', async ({ page }) => {
    for (const view of views) {
      await page.goto(view);
      await page.waitForLoadState('networkidle');
      expect([view, await wide(page), await small(page)]).toEqual([view, 0, []]);
    }
  });

  test('in the field: a job is looked up, a cost and a payment recorded, and read as cards', async ({
    page,
  }) => {
    await page.goto('/today');
    await page.getByRole('button', { name: 'More' }).tap();
    const more = page.getByRole('dialog');
    await more.getByRole('link', { name: 'Customers' }).tap();
    await page.waitForURL('**/customers');
    await expect(more).toHaveCount(0);
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Agreements' }).tap();
    await page.waitForURL('**/agreements');
    await page.getByRole('link', { name: 'Sunroom on the courtyard' }).first().tap();
    await page.waitForURL(/agreements\/[0-9a-f-]{36}$/);
    await page.getByRole('button', { name: 'Record payment' }).first().tap();
    const record = page.getByRole('dialog', { name: 'Record payment' });
    // Another amount each time: one alike is asked about.
    const amount = `7.${10 + (Date.now() % 90)}`;
    await record.getByLabel('Amount in USD').fill(amount);
    await record.getByRole('button', { name: 'Record payment' }).tap();
    const received = page.getByRole('table', { name: 'Received' });
    await expect(received.getByText(amount)).toBeVisible();
    expect(await wide(page)).toBe(0);

    await page.getByRole('link', { name: 'Job costing' }).tap();
    await page.waitForURL('**/job-costing');
    const what = `Screws ${Date.now() % 100_000}`;
    await page.getByPlaceholder('What for').fill(what);
    await page.getByLabel('Amount', { exact: true }).fill('18.20');
    await page.getByRole('button', { name: 'Record', exact: true }).tap();
    const row = page.getByRole('table', { name: 'Costs' }).locator('tr', { hasText: what });
    await expect(row).toContainText('18.20');
    // What was said of the record before goes by itself.
    await expect.poll(() => wide(page)).toBe(0);
    expect(await serious(page)).toEqual([]);
    await row.getByRole('button', { name: `Void: ${what}` }).tap();
    await expect(page.getByRole('table', { name: 'Costs' }).locator('tr', { hasText: what })).toHaveCount(2);
  });
});

test('at twice the size of letters the views read well, and nothing is out of reach', async ({ page }) => {
  // What 200 % of zoom leaves of 1280 × 800.
  await page.setViewportSize({ width: 640, height: 400 });
  for (const view of ['/today', '/proposals', '/library', '/money', '/settings#about=pricing']) {
    await page.goto(view);
    await page.waitForLoadState('networkidle');
    expect([view, await wide(page), await serious(page)]).toEqual([view, 0, []]);
  }
});
