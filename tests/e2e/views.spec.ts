import { AxeBuilder } from '@axe-core/playwright';
import { account, expect, newestLink, settled, test } from './desk';

const serious = (
  violations: readonly { impact?: string | null; id: string; nodes: readonly { html: string }[] }[],
) =>
  violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => [id, nodes.slice(0, 3).map(({ html }) => html)]);

const views = [
  '/today',
  '/proposals',
  '/proposals/new',
  '/customers',
  '/library',
  '/agreements',
  '/agreements/stages',
  '/money',
  '/settings',
  '/settings#about=pricing',
  '/settings#about=you',
  '/money/costs',
  '/money/payments',
  '/money/accountant',
  '/reports',
  '/outbox',
];

for (const view of views)
  test(`${view} reads well for everyone, light and dark`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
    await page.goto(view);
    await page.waitForLoadState('networkidle');
    await settled(page);
    expect(serious((await new AxeBuilder({ page }).analyze()).violations)).toEqual([]);
    // In the dark the page is the same, its colors are others.
    const light = await page.evaluate(() => getComputedStyle(document.querySelector('h1')!).color);
    await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
    expect(await page.evaluate(() => getComputedStyle(document.querySelector('h1')!).color)).not.toBe(light);
    // Some colors change in steps.
    await settled(page);
    const colors = new AxeBuilder({ page }).withRules(['color-contrast', 'link-in-text-block']);
    expect(serious((await colors.analyze()).violations)).toEqual([]);
  });

test('every step of a proposal, an agreement and an invoice read well for everyone', async ({ page }) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  await page.waitForURL('**/proposals/*-*');
  for (const step of ['Scope', 'Choices', 'Price', 'Payments', 'Wording', 'Send']) {
    await page.locator('.steps').getByRole('button', { name: step }).click();
    await expect(page.locator('[aria-current=step]')).toHaveText(new RegExp(step));
    if (step === 'Send') await expect(page.frameLocator('iframe').getByTestId('booklet-total')).toBeVisible();
    expect([step, serious((await new AxeBuilder({ page }).analyze()).violations)]).toEqual([step, []]);
  }
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Screened porch over the garden' }).click();
  await page.waitForURL('**/agreements/*-*');
  expect(serious((await new AxeBuilder({ page }).analyze()).violations)).toEqual([]);
  await page.goto('/money');
  await page.locator('.list-table tbody a').first().click();
  await page.waitForURL('**/money/*-*');
  expect(serious((await new AxeBuilder({ page }).analyze()).violations)).toEqual([]);
});

test('the booklet on a phone reads well, also in the dark', async ({ page }) => {
  const address = await newestLink(page);
  await page.setViewportSize({ width: 390, height: 844 });
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await page.goto(address);
    expect(serious((await new AxeBuilder({ page }).analyze()).violations)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});

test('the doors are shut for those who are not signed in', async ({ browser }) => {
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const page = await context.newPage();
  for (const view of views) {
    await page.goto(view);
    await expect(page).toHaveURL(/sign-in/);
  }
  for (const door of [
    '/api/desk/items?search=joist',
    '/api/v1/library.csv',
    '/api/v1/proposals/00000000-0000-7000-8000-000000000000/document.json',
  ])
    expect((await page.request.get(door)).status()).toBe(401);
  expect((await page.request.get('/api/v1/schemas/proposal-document.json')).status()).toBe(200);
  await context.close();
});

test('headers: a nonce for scripts, no eval, no framing by others, and a session that can be ended', async ({
  page,
  browser,
}) => {
  const answer = await page.goto('/today');
  const policy = answer!.headers()['content-security-policy']!;
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toContain('unsafe-eval');
  expect(/script-src[^;]*unsafe-inline/.test(policy)).toBe(false);
  const bare = await page.evaluate(
    () => [...document.scripts].filter((script) => !script.src && script.textContent && !script.nonce).length,
  );
  expect(bare).toBe(0);

  const other = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    userAgent: 'Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0',
  });
  const second = await other.newPage();
  await second.goto('/sign-in');
  await second.getByLabel('Email').fill(account.email);
  await second.getByLabel('Password').fill('wrong');
  await second.getByRole('button', { name: 'Sign in' }).click();
  await expect(second.getByText('do not belong together')).toBeVisible();
  await second.getByLabel('Password').fill(account.password);
  await second.getByRole('button', { name: 'Sign in' }).click();
  await second.waitForURL('**/today');
  await page.goto('/settings#about=you');
  // A click before the page has woken up would go nowhere.
  await page.waitForLoadState('networkidle');
  await page
    .getByRole('row', { name: /Firefox on Windows/ })
    .getByRole('button', { name: 'Sign it out' })
    .click();
  await expect(page.getByText('Firefox on Windows')).toHaveCount(0);
  await second.goto('/money');
  await expect(second).toHaveURL(/sign-in/);
  await other.close();
});
