import type { BrowserContext, Page } from '@playwright/test';
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
    // A refusal (4xx) that a test provokes is logged by the browser itself; it is the test's business.
    if (message.type() === 'error' && !/the server responded with a status of 4\d\d/.test(text))
      troubles.push(text);
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
      await page.getByLabel('Mail address').fill(account.email);
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

/** The link in the newest message to a customer. */
export async function newestLink(page: Page): Promise<string> {
  await page.goto('/outbox');
  const href = await page.locator('article a').first().getAttribute('href');
  return new URL(href!, page.url()).href;
}

export { expect };
