import type { Locator, Page } from '@playwright/test';
import { expect, sendPlain, sendWithExtra, test, tick } from './desk';

const phone = { width: 390, height: 844 };

async function fillIn(customer: Page, name: string): Promise<void> {
  await expect(async () => {
    await customer.getByLabel('Your name').last().fill(name);
    await tick(customer.getByRole('checkbox', { name: /I agree to sign/ }).last());
    await expect(customer.locator('.typed-signature').last()).toHaveText(name, { timeout: 1000 });
  }).toPass();
}

test('a signature whose answer is lost is asked about again: signed once, and nothing is claimed that is not known', async ({
  page,
  browser,
}) => {
  const link = await sendPlain(page, 'Signed without an answer');
  const customer = await (await browser.newContext({ viewport: phone })).newPage();
  await customer.goto(link);
  let lost = 0;
  await customer.route('**/accept', async (route) => {
    if (lost < 2) {
      lost += 1;
      // It arrives; its answer does not.
      await route.fetch();
      return route.abort();
    }
    return route.continue();
  });
  await fillIn(customer, 'Odalie Brannock');
  await customer.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(customer.getByText('No answer came.')).toBeVisible();
  await expect(customer.getByText('Nothing was changed')).toHaveCount(0);
  await expect(customer.getByText('Accepted on').first()).toBeVisible({ timeout: 20_000 });
  expect(lost).toBe(2);
});

test('who signs second reads who has signed, and when', async ({ page, browser }) => {
  const link = await sendPlain(page, 'Signed by two');
  const one = await (await browser.newContext({ viewport: phone })).newPage();
  const other = await (await browser.newContext({ viewport: phone })).newPage();
  await one.goto(link);
  await other.goto(link);
  // Faster than the page hears of it by itself.
  await other.route('**/now?*', (route) => route.abort());
  await fillIn(other, 'Tobin Brannock');
  await fillIn(one, 'Odalie Brannock');
  await one.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(one.getByText('Accepted on').first()).toBeVisible();
  await other.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(other.getByRole('status').filter({ hasText: 'signed this on' })).toContainText(
    'Odalie Brannock',
  );
  await other.getByRole('button', { name: 'Read what was signed' }).click();
  await expect(other.getByText('Accepted on').first()).toBeVisible();
});

test('two phones: what the other chose is shown at once, the name stays, and the next press signs', async ({
  page,
  browser,
}) => {
  const link = await sendWithExtra(page, 'Two phones');
  const [a, b] = [
    await browser.newContext({ viewport: phone }),
    await browser.newContext({ viewport: phone }),
  ];
  const [signer, chooser] = [await a.newPage(), await b.newPage()];
  await signer.goto(link);
  await chooser.goto(link);
  // Faster than the page hears of it by itself.
  await signer.route('**/now?*', (route) => route.abort());
  await fillIn(signer, 'Odalie Brannock');
  const before = await signer.locator('.sign strong').nth(1).textContent();
  await tick(chooser.getByRole('checkbox', { name: /Handrail/ }));
  await expect(chooser.locator('.sign strong').nth(1)).not.toHaveText(before!);
  const after = await chooser.locator('.sign strong').nth(1).textContent();
  await chooser.waitForTimeout(500);

  await signer.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(signer.getByText('This is how it stands now')).toBeVisible();
  await expect(signer.locator('.sign strong').nth(1)).toHaveText(after!);
  await expect(signer.getByLabel('Your name').last()).toHaveValue('Odalie Brannock');
  await signer.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(signer.getByText('Accepted on').first()).toBeVisible();
});

/** Presses Tab until something has the focus. */
async function tabTo(page: Page, what: Locator): Promise<void> {
  for (let i = 0; i < 60; i += 1) {
    if (await what.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('The keys do not lead there.');
}

for (const how of ['typed', 'drawn'] as const)
  test(`signed by keyboard alone, ${how}`, async ({ page, browser }) => {
    const link = await sendPlain(page, `By keyboard, ${how}`);
    const customer = await (await browser.newContext({ viewport: phone })).newPage();
    await customer.goto(link);
    await expect(customer.getByRole('button', { name: 'Accept and sign' })).toBeVisible();
    await customer.waitForTimeout(1500);
    await tabTo(customer, customer.getByLabel('Your name').last());
    await customer.keyboard.type('Odalie Brannock');
    await expect(customer.locator('.typed-signature').last()).toHaveText('Odalie Brannock');
    if (how === 'drawn') {
      await tabTo(customer, customer.getByRole('radio', { name: 'Sign with my typed name' }));
      await customer.keyboard.press('ArrowDown');
      await expect(customer.getByRole('radio', { name: 'Draw my signature' })).toBeChecked();
      await tabTo(customer, customer.getByRole('img', { name: 'Draw your signature here' }));
      await customer.keyboard.press('Space');
      for (const key of [
        'Shift+ArrowRight',
        'ArrowUp',
        'ArrowUp',
        'Shift+ArrowRight',
        'ArrowDown',
        'ArrowRight',
      ])
        await customer.keyboard.press(key);
      await customer.keyboard.press('Space');
    }
    const consent = customer.getByRole('checkbox', { name: /I agree to sign/ }).last();
    await tabTo(customer, consent);
    await customer.keyboard.press('Space');
    await tabTo(customer, customer.getByRole('button', { name: 'Accept and sign' }));
    await customer.keyboard.press('Enter');
    await expect(customer.getByText('Accepted on').first()).toBeVisible();
    if (how === 'drawn') {
      await customer.getByRole('link', { name: 'What was signed' }).first().click();
      await expect(customer.locator('svg path').first()).toBeVisible();
    }
  });
