import { begin, expect, issueInvoice, saved, sendWithExtra, test, tick } from './desk';

const phone = { width: 390, height: 844 };

test('a booklet that lies open shows what others choose and what is sent anew; the name typed and the choice stay', async ({
  page,
  browser,
}) => {
  const link = await sendWithExtra(page, 'Open on two phones');
  const [a, b] = [
    await browser.newContext({ viewport: phone }),
    await browser.newContext({ viewport: phone }),
  ];
  const [reader, chooser] = [await a.newPage(), await b.newPage()];
  await reader.goto(link);
  await chooser.goto(link);
  await expect(async () => {
    await reader.getByLabel('Your name').last().fill('Odalie Brannock');
    await expect(reader.locator('.typed-signature').last()).toHaveText('Odalie Brannock', { timeout: 1000 });
  }).toPass();
  await tick(chooser.getByRole('checkbox', { name: /Handrail/ }));

  await expect(
    reader.getByRole('status').filter({ hasText: 'chose just now. This is how it stands' }),
  ).toBeVisible({
    timeout: 15_000,
  });
  await expect(reader.getByRole('checkbox', { name: /Handrail/ })).toBeChecked();
  await expect(reader.getByLabel('Your name').last()).toHaveValue('Odalie Brannock');

  // The seller changes a quantity and sends again, without a word to either.
  await page.goBack();
  await page
    .getByLabel(/^Quantity of .*footing/i)
    .first()
    .fill('8');
  await page.keyboard.press('Tab');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await expect(page.getByText('The customer has chosen; all of it is kept.')).toBeVisible();
  await page.getByRole('button', { name: 'Send as revision 2' }).click();
  await expect(reader.getByText('We sent you a new one just now, revision 2')).toBeVisible({
    timeout: 15_000,
  });
  await expect(reader.getByText('Your choices are kept.')).toBeVisible();
  await expect(reader.getByRole('checkbox', { name: /Handrail/ })).toBeChecked();
  await expect(reader.getByLabel('Your name').last()).toHaveValue('Odalie Brannock');
  await tick(reader.getByRole('checkbox', { name: /I agree to sign/ }).last());
  await reader.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(reader.getByText('Accepted on').first()).toBeVisible();
  // The other phone reads so by itself, with nothing to press.
  await expect(chooser.getByText('This was signed just now by Odalie Brannock.')).toBeVisible({
    timeout: 15_000,
  });
});

test('two at the desk: the page Send shows what the other changed, and sends after another look', async ({
  page,
  browser,
}) => {
  await begin(page, 'Two at the desk');
  await page.keyboard.type('10 handrail cedar');
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  const total = page.frameLocator('iframe').locator('.sign strong').nth(1);
  await expect(total).toHaveText(/\d/);
  const before = await total.textContent();

  const other = await (
    await browser.newContext({ storageState: await page.context().storageState() })
  ).newPage();
  const change = async (quantity: string) => {
    await other.goto(page.url().replace(/#.*/, ''));
    await other.getByLabel('Quantity of Handrail, cedar').fill(quantity);
    await other.keyboard.press('Tab');
    await saved(other);
  };
  await change('20');
  await expect(total).not.toHaveText(before!, { timeout: 15_000 });
  const seen = await total.textContent();

  // Faster than the page hears of it: refused, shown, and sent at the next press.
  await page.route('**/changes?*', (route) => route.abort());
  await change('30');
  await page.getByRole('button', { name: 'Send proposal' }).click();
  await expect(page.getByText(/changed this proposal a moment ago/)).toBeVisible();
  await expect(total).not.toHaveText(seen!);
  await page.getByRole('button', { name: 'Send proposal' }).click();
  await expect(page.getByText('Revision 1 is ready to hand over.')).toBeVisible();
});

test('an answer of before that comes late does not take back what was chosen since', async ({
  page,
  browser,
}) => {
  const link = await sendWithExtra(page, 'Told late');
  const reader = await (await browser.newContext({ viewport: phone })).newPage();
  await reader.goto(link);
  const lamp = reader.getByRole('checkbox', { name: /Handrail/ });
  await tick(lamp);
  await expect(reader.getByText('Total as you chose')).toBeVisible();
  const chosen = await reader.locator('.sign strong').nth(1).textContent();
  // The page asks; what it is told is of now, and comes after the next choice is made and answered.
  let late = 0;
  await reader.route('**/now?*', async (route) => {
    const answer = await route.fetch({
      url: route
        .request()
        .url()
        .replace(/mark=[^&]*/, 'mark=old'),
    });
    late += 1;
    if (late === 1) await reader.waitForTimeout(4000);
    await route.fulfill({ response: answer });
  });
  await expect.poll(() => late, { timeout: 15_000 }).toBe(1);
  await lamp.uncheck();
  await expect(reader.locator('.sign strong').nth(1)).not.toHaveText(chosen!);
  const after = await reader.locator('.sign strong').nth(1).textContent();
  await reader.waitForTimeout(5500);
  await expect(lamp).not.toBeChecked();
  await expect(reader.locator('.sign strong').nth(1)).toHaveText(after!);
  await expect(reader.getByText('chose just now')).toHaveCount(0);
});

test('an agreement that lies open shows what a colleague billed, and keeps what is being typed', async ({
  page,
  context,
}) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Attic room for the twins' }).first().click();
  await page.waitForURL(/agreements\/[0-9a-f-]{36}$/);
  await expect(async () => {
    await page.getByRole('button', { name: 'Record payment' }).click();
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 1000 });
  }).toPass();
  const reference = page.getByRole('dialog').getByLabel('Reference');
  await reference.fill('half a ref');

  const colleague = await context.newPage();
  await colleague.goto(`${page.url()}/bill`);
  await tick(colleague.getByRole('radio', { name: 'An amount' }));
  await colleague.getByLabel('Amount, including tax').fill('12.34');
  await colleague.getByLabel('Amount, including tax').press('Enter');
  const title = `Between two ${Date.now()}`;
  await colleague.getByLabel('Title').fill(title);
  await issueInvoice(colleague);
  await colleague.waitForURL(/agreements\/[0-9a-f-]{36}$/);
  await colleague.close();

  await expect(page.getByRole('row', { name: title, includeHidden: true })).toHaveCount(1);
  await expect(reference).toHaveValue('half a ref');
});
