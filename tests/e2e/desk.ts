import { AxeBuilder } from '@axe-core/playwright';
import type { BrowserContext, Locator, Page } from '@playwright/test';
import { expect, test as base } from '@playwright/test';

export const account = { email: 'perrin@quillbank.example', password: 'porch-swing-42' };

interface WorkerFixtures {
  readonly signedIn: Awaited<ReturnType<BrowserContext['storageState']>>;
}

interface Fixtures {
  /** What went wrong in the browser; must stay empty. */
  readonly troubles: string[];
}

/** Watches a page: no console error, no warning of hydration, no request to anywhere but this machine. */
export function watch(page: Page, troubles: string[]): void {
  page.on('console', (message) => {
    const text = message.text();
    // A refusal (4xx) or a cut line (a route aborted) that a test provokes is logged by the browser itself, when it gets to
    // it; it is the test's business.
    const provoked = /the server responded with a status of 4\d\d|net::ERR_FAILED/;
    if (message.type() === 'error' && !provoked.test(text)) troubles.push(text);
    if (/hydrat/i.test(text)) troubles.push(text);
  });
  page.on('pageerror', (error) => troubles.push(error.message));
  page.on('request', (request) => {
    const { hostname, protocol } = new URL(request.url());
    if (protocol.startsWith('http') && hostname !== '127.0.0.1') troubles.push(`request to ${hostname}`);
  });
}

/** Tests at the desk: signed in once, watched. */
export const test = base.extend<Fixtures, WorkerFixtures>({
  signedIn: [
    async ({ browser }, use) => {
      const context = await browser.newContext({
        baseURL: process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310',
      });
      const page = await context.newPage();
      await page.goto('/');
      await page.getByLabel('Email').fill(account.email);
      await page.getByLabel('Password').fill(account.password);
      await page.getByRole('button', { name: 'Sign in' }).click();
      await page.waitForURL('**/today');
      await use(await context.storageState());
      await context.close();
    },
    { scope: 'worker' },
  ],
  storageState: async ({ signedIn }, use) => use(signedIn),
  troubles: [
    async ({ page }, use) => {
      const troubles: string[] = [];
      watch(page, troubles);
      await use(troubles);
      expect(troubles).toEqual([]);
    },
    { auto: true },
  ],
});

/** Waits until the proposal in work is saved. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByText('All changes saved')).toBeVisible();
}

/**
 * Ticks a box (or takes its tick away), or picks a radio button. A page that has just come may not have woken up: what is
 * pressed then is done a moment later.
 */
export async function tick(box: Locator, on = true): Promise<void> {
  await expect(async () => {
    if ((await box.isChecked()) !== on) await box.click();
    await expect(box).toBeChecked({ checked: on, timeout: 1000 });
  }).toPass();
}

/** Issues the invoice that stands on the page, after the question; sent with it, or not. */
export async function issueInvoice(page: Page, { send = false } = {}): Promise<void> {
  await page.getByRole('button', { name: 'Issue invoice' }).click();
  const asked = page.getByRole('dialog', { name: /^Issue (invoice|credit note) / });
  const sending = asked.getByRole('checkbox', { name: 'Send it by email as it is issued' });
  await tick(sending, send);
  await asked.getByRole('button', { name: send ? 'Issue and send' : /^Issue / }).click();
}

/** Picks one of the choices of a field by its words. */
export async function choose(field: Locator, words: string): Promise<void> {
  const page = field.page();
  const wanted = page.locator('.ant-select-dropdown:visible').getByTitle(words, { exact: true });
  await expect(async () => {
    if (!(await wanted.isVisible())) await field.click({ timeout: 2000 });
    await wanted.click({ timeout: 2000 });
    await expect(page.locator('.ant-select-dropdown:visible')).toHaveCount(0, { timeout: 2000 });
  }).toPass();
}

/** The newest letter, of those that fit some words, with a private link that can be shown: it lies open beside the list. */
async function letterWithLink(page: Page, words = ''): Promise<Locator> {
  await page.goto(`/outbox?${new URLSearchParams({ search: words })}`);
  const letters = page.locator('.list-table tbody tr.ant-table-row .row-act');
  const letter = page.getByRole('dialog').getByRole('article');
  const show = letter.getByRole('button', { name: 'Show the private link' });
  for (let i = 0; i < (await letters.count()); i++) {
    await expect(async () => {
      if ((await letter.count()) === 0) await letters.nth(i).click();
      await expect(letter).toBeVisible({ timeout: 2000 });
    }).toPass();
    if ((await show.count()) > 0) return letter;
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await expect(letter).toHaveCount(0);
  }
  throw new Error(`No letter about “${words}” has a link.`);
}

/** The link in the newest message to a customer. */
export const newestLink = async (page: Page): Promise<string> => shownLink(await letterWithLink(page));

/** The private link that is shown on asking, at the first place that offers it. */
export async function shownLink(where: Page | Locator): Promise<string> {
  await where.getByRole('button', { name: 'Show the private link' }).first().click();
  return (await where.getByTestId('private-link').first().getAttribute('href'))!;
}

/** The link in the newest message about a proposal of this title. */
export const linkTo = async (page: Page, title: string): Promise<string> =>
  shownLink(await letterWithLink(page, title));

/** Money as it is shown, in minor units. */
export const cents = (text: string | null) => BigInt((text ?? '').replace('−', '-').replace(/[^0-9-]/g, ''));

/** What the customer’s page comes to before the taxes that stand below the prices. */
export async function beforeTax(page: Page): Promise<bigint> {
  const rows = await page
    .locator('dl.sums')
    .filter({ hasText: 'Total in' })
    .evaluate((list) =>
      [...list.querySelectorAll('dt')].map((name) => [
        name.textContent ?? '',
        name.nextElementSibling?.textContent ?? '',
      ]),
    );
  const sum = (wanted: RegExp) =>
    rows.reduce((all, [name, value]) => (wanted.test(name!) ? all + cents(value!) : all), 0n);
  return sum(/^Total in/) - sum(/ tax \S+ %$/);
}

export { expect };

/** Waits until nothing on the page is just coming, going or changing its color: it is pale, or of neither color, for a moment. */
export const settled = (page: Page) =>
  expect
    .poll(() =>
      page.evaluate(
        () =>
          document.getAnimations().filter(({ playState, effect }) => {
            const end = effect?.getComputedTiming().endTime;
            return playState === 'running' && end !== undefined && Number.isFinite(Number(end));
          }).length,
      ),
    )
    .toBe(0);

/**
 * What an independent checker finds seriously wrong with the page for people who see or hear it otherwise. A message that comes
 * and goes by itself may begin to fade in the middle of it: its colors are none then.
 */
export async function serious(page: Page) {
  await settled(page);
  return (await new AxeBuilder({ page }).exclude('.ant-message').analyze()).violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => [id, nodes.slice(0, 3).map(({ html }) => html)]);
}

/** A proposal from nothing, with one section. */
export async function begin(page: Page, title: string): Promise<void> {
  await page.goto('/proposals/new');
  await page.getByRole('combobox').first().pressSequentially('Brannock');
  await page.keyboard.press('Enter');
  await page.getByLabel('Title, as the customer reads it').fill(title);
  await page.keyboard.press('Enter');
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await page.waitForSelector('#add-line');
  await page.keyboard.press('Alt+s');
  await expect(page.locator('[data-cell=description]:focus')).toHaveValue('New section');
  await page.keyboard.type('Porch');
  await page.keyboard.press('Enter');
  await expect(page.locator('#add-line')).toBeFocused();
}

/** A proposal of two lines, one of them an extra that is out, sent. */
export async function sendWithExtra(page: Page, title: string): Promise<string> {
  await begin(page, title);
  for (const typed of ['10 handrail cedar', '6 footing 12']) {
    await page.keyboard.type(typed);
    await expect(page.getByRole('option').first()).toBeVisible();
    await page.keyboard.press('Enter');
  }
  await page.getByLabel('Quantity of Handrail, cedar').press('Alt+x');
  await expect(page.getByText('extra, out')).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  return shownLink(page);
}

/** A proposal of one line, sent. */
export async function sendPlain(page: Page, title: string): Promise<string> {
  await begin(page, title);
  await page.locator('#add-line').fill('10 handrail cedar');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.locator('#add-line').press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  return await shownLink(page);
}

/** Pays by card from a booklet: at the page of the card service, and back. */
export async function payByCard(pay: Locator, number: string): Promise<void> {
  const page = pay.page();
  await expect(async () => {
    await pay.click({ timeout: 2000 });
    await page.waitForURL('**/stand-in/cards/**', { timeout: 3000 });
  }).toPass();
  await page.getByLabel('Card number').pressSequentially(number, { delay: 30 });
  await page.getByLabel('Expiry, MM/YY').pressSequentially('12/39', { delay: 30 });
  await page.getByRole('button', { name: /^Pay / }).click();
  await page.waitForURL('**/b/**');
}
