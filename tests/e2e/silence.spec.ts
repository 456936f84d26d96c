import type { Browser, Locator, Page } from '@playwright/test';
import { account, expect, linkTo, test } from './desk';

/* A server that takes what is sent and says nothing: each form says so after a while, waits no longer, and keeps what was typed. */

const silent = (page: Page) =>
  page.route('**/*', (route) =>
    // Never answered.
    route.request().method() === 'POST' ? undefined : route.continue(),
  );

/** Presses, lets the time pass that an answer is waited for, and looks at what is said and what still stands. */
async function pressInSilence(page: Page, press: Locator, field: Locator, typed: string, says: RegExp) {
  await expect(press).toBeEnabled();
  await silent(page);
  await press.click();
  await page.waitForTimeout(200);
  await page.clock.fastForward(31_000);
  await expect(page.getByText(says).first()).toBeVisible();
  await expect(press).not.toHaveClass(/loading/);
  await expect(field).toHaveValue(typed);
  await page.unrouteAll();
}

/** Opens a dialog that a page just come may not open yet. */
async function opened(page: Page, button: string | RegExp) {
  await expect(async () => {
    await page.getByRole('button', { name: button }).first().click();
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 1000 });
  }).toPass();
  return page.getByRole('dialog');
}

const noAnswer = /The server did not answer/;

test('signing in', async ({ browser }) => {
  const page = await (await browser.newContext({ storageState: { cookies: [], origins: [] } })).newPage();
  await page.clock.install();
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill(account.email);
  await page.getByLabel('Password').fill('porch-swing-42');
  await pressInSilence(
    page,
    page.getByRole('button', { name: 'Sign in' }),
    page.getByLabel('Email'),
    account.email,
    noAnswer,
  );
});

test('forms of the desk: a customer, a proposal, an item, the settings, a payment, a bill', async ({
  page,
}) => {
  page.on('dialog', (dialog) => void dialog.accept());
  await page.clock.install();

  await page.goto('/customers');
  const customer = await opened(page, 'New customer');
  await customer.getByLabel('Name', { exact: true }).fill('Nobody yet');
  await customer.getByLabel('Street').fill('1 Quiet Row');
  await customer.getByLabel(/City|Town/).fill('Marrowby');
  await pressInSilence(
    page,
    customer.getByRole('button', { name: 'Add customer' }),
    customer.getByLabel('Name', { exact: true }),
    'Nobody yet',
    noAnswer,
  );

  await page.goto('/library/items/new');
  const name = page.getByLabel('Name', { exact: true });
  await expect(async () => {
    await name.fill('Quiet sill');
    await expect(page.getByText('Not saved yet')).toBeVisible({ timeout: 1000 });
  }).toPass();
  await pressInSilence(
    page,
    page.getByRole('button', { name: 'Add to the library' }),
    name,
    'Quiet sill',
    noAnswer,
  );

  await page.goto('/settings');
  const days = page.getByLabel(/Prices hold for/);
  await days.fill('31');
  await pressInSilence(
    page,
    page.getByRole('button', { name: 'Save', exact: true }).first(),
    days,
    '31',
    noAnswer,
  );

  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Attic room for the twins' }).first().click();
  await page.waitForURL(/agreements\/[0-9a-f-]{36}$/);
  const agreement = page.url();
  const payment = await opened(page, 'Record payment');
  await payment.getByLabel(/^Amount in/).fill('1.23');
  await payment.getByLabel('Reference').fill('quiet');
  await pressInSilence(
    page,
    payment.getByRole('button', { name: /^Record/ }),
    payment.getByLabel('Reference'),
    'quiet',
    noAnswer,
  );

  await page.goto(`${agreement}/bill`);
  await expect(async () => {
    await page.getByRole('radio', { name: 'An amount' }).click();
    await expect(page.getByLabel('Amount, including tax')).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByLabel('Amount, including tax').fill('2.34');
  await page.getByLabel('Amount, including tax').press('Enter');
  await page.getByLabel('Title').fill('Quiet bill');
  await page.getByRole('button', { name: 'Issue invoice' }).click();
  const issuing = page.getByRole('dialog', { name: /^Issue invoice/ });
  await issuing.getByLabel('Your words before it').fill('Quiet words');
  await pressInSilence(
    page,
    issuing.getByRole('button', { name: 'Issue and send' }),
    issuing.getByLabel('Your words before it'),
    'Quiet words',
    noAnswer,
  );
  await expect(page.getByLabel('Title')).toHaveValue('Quiet bill');
});

async function reader(browser: Browser, link: string) {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await page.clock.install();
  await page.goto(link);
  return page;
}

test('the customer: a question', async ({ page, browser }) => {
  const customer = await reader(browser, await linkTo(page, 'Back porch in three levels'));
  const words = customer.locator('textarea');
  await expect(async () => {
    await customer.getByRole('button', { name: 'Ask us' }).click();
    await expect(words).toBeVisible({ timeout: 1000 });
  }).toPass();
  await words.fill('When could you begin?');
  await pressInSilence(
    customer,
    customer.getByRole('button', { name: /^(Send|Ask)/ }).last(),
    words,
    'When could you begin?',
    /no connection just now/,
  );
});
