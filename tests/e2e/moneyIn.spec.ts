import type { Browser, Page } from '@playwright/test';
import { trialCards, trialCode } from '@/gateways/cards/standIn';
import { cents, expect, issueInvoice, linkTo, payByCard, serious, test, tick } from './desk';

/* Getting paid: an invoice sent, paid by card with a code, late and by dispute; the accountant's batch; costs looked back on. */

/** An amount billed and sent, and its customer before the card form. */
async function billed(page: Page, browser: Browser, amount: string) {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Screened porch over the garden' }).first().click();
  await page
    .getByRole('link', { name: 'Bill work done' })
    .or(page.getByRole('link', { name: /^Bill “/ }))
    .first()
    .click();
  await tick(page.getByRole('radio', { name: 'An amount' }));
  await page.getByLabel('Amount, including tax').fill(amount);
  await page.getByLabel('Amount, including tax').press('Enter');
  const title = `${amount} of steps and rails, ${Date.now()}`;
  await page.getByLabel('Title').fill(title);
  await issueInvoice(page);
  await page.waitForURL(/agreements\/[0-9a-f-]{36}$/);
  await page.getByRole('row', { name: title }).getByRole('link').first().click();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  // It is asked about once, with the letter as it arrives: our words and what goes with it stand in it.
  const letter = page.getByRole('dialog', { name: /^Send invoice/ });
  await letter.getByLabel('Your words before it').pressSequentially('Thank you.', { delay: 30 });
  await tick(letter.getByRole('checkbox', { name: 'Invoice as PDF' }));
  await expect(letter.getByRole('article')).toContainText('Thank you.');
  await expect(letter.getByRole('article')).toContainText(/Attached: invoice .*\.pdf\./);
  expect(await serious(page)).toEqual([]);
  await letter.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText(/It is sent to/)).toBeVisible();
  await expect(letter).toBeHidden();
  const invoice = page.url();
  const number = (await page.getByRole('heading', { level: 1 }).textContent())!.replace('Invoice ', '');

  const link = await linkTo(page, `Invoice ${number}`);
  expect(link).toContain('#pay');
  const visit = await browser.newContext();
  const customer = await visit.newPage();
  await customer.goto(link);
  const form = customer.locator('#pay');
  const which = form.getByRole('radio', { name: new RegExp(`Invoice ${number}`) });
  if (await which.isVisible()) await tick(which);
  await expect(form.getByRole('heading')).toContainText(`Pay invoice ${number}`);
  return { invoice, number, visit, customer, link, form };
}

test('the customer pays an invoice by card: the bank wants a code, answers later, and the payment is disputed', async ({
  page,
  browser,
}) => {
  const { invoice, number, visit, customer, link, form } = await billed(page, browser, '321.09');
  // No number of a card ever goes to a door of ours.
  const sent: string[] = [];
  customer.on('request', (request) => {
    if (!request.url().includes('/stand-in/')) sent.push(`${request.url()} ${request.postData() ?? ''}`);
  });
  await payByCard(form.getByRole('button', { name: /^Pay / }), trialCards.confirmed);
  await form.getByLabel('Code your bank sent you').fill('0000');
  await form.getByRole('button', { name: 'Confirm' }).click();
  await expect(form.getByRole('alert')).toContainText('Nothing was taken');
  // Another card, whose bank takes its time.
  await payByCard(form.getByRole('button', { name: /^Pay / }), trialCards.delayed);
  await expect(customer.getByText(/321\.09 on its way from your card/)).toBeVisible();
  expect(trialCode).toMatch(/^\d+$/);
  expect(sent.length).toBeGreaterThan(3);
  for (const number of [trialCards.confirmed, trialCards.delayed])
    expect(sent.filter((each) => each.replace(/\D/g, '').includes(number.replace(/ /g, '')))).toEqual([]);

  const charge = page.getByRole('listitem').filter({ hasText: number }).first();
  const accept = charge.getByRole('button', { name: /^Accept/ });
  // That the card was asked is there at once; that the bank answers later comes by message, as a real one would.
  await expect(async () => {
    await page.goto('/outbox');
    await expect(accept).toBeVisible({ timeout: 1000 });
  }).toPass();
  await accept.click();
  await expect(charge).toContainText('accepted');
  await page.goto(invoice);
  await expect(page.locator('.page-head .state')).toContainText('Paid');
  await expect(page.locator('aside dl').first()).toContainText('−321.09');
  expect(await serious(page)).toEqual([]);

  await page.goto('/outbox');
  await charge.getByRole('button', { name: /^Dispute/ }).click();
  await expect(charge).toContainText('disputed');
  expect(await serious(page)).toEqual([]);
  await customer.goto(link);
  await expect(customer.locator('#pay')).toBeVisible();
  await visit.close();
});

test('what was paid by card goes back on the card, as much as it paid, told at both ends', async ({
  page,
  browser,
}) => {
  const { invoice, number, visit, customer, form } = await billed(page, browser, '54.60');
  const pay = form.getByRole('button', { name: /^Pay .*54\.60/ });
  await payByCard(pay, trialCards.accepted);
  // It is asked for no more: the card service has answered.
  await expect(pay).toHaveCount(0);
  await expect(customer.locator('.item').filter({ hasText: `Invoice ${number}` })).toContainText(', paid');
  await visit.close();
  await page.goto(invoice);
  await page.getByRole('button', { name: 'Credit note' }).click();
  await page.getByRole('button', { name: 'Issue credit note' }).click();
  await expect(page.getByRole('heading', { name: /Credit note C/ })).toBeVisible();
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Screened porch over the garden' }).first().click();
  await page.getByRole('button', { name: 'Refund' }).click();
  const dialog = page.getByRole('dialog', { name: 'Refund credit' });
  const card = dialog.getByRole('radio', { name: /^Back on the card ending 0000/ }).first();
  await expect(card).toBeChecked();
  await dialog.getByLabel(/^Amount in/).fill('9999');
  await dialog.getByRole('button', { name: 'Refund to the card' }).click();
  await expect(dialog.getByRole('alert')).toContainText('can go back on the card ending 0000');
  await dialog.getByLabel(/^Amount in/).fill('54.60');
  expect(await serious(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Refund to the card' }).click();
  await expect(dialog).toBeHidden();
  const row = page.getByRole('table', { name: 'Received' }).getByRole('row', { name: /−54\.60/ });
  await expect(row).toContainText('refund: card ending 0000');
  await page.goto('/money/payments?kind=refund');
  await expect(page.locator('.list-table tbody tr.ant-table-row').first()).toContainText('card ending 0000');
});

test('a payment by card whose answer is lost over a slow line: it is not said that nothing was taken, and it is taken once', async ({
  page,
  browser,
}) => {
  const { invoice, visit, customer, form } = await billed(page, browser, '43.21');
  // Every door of the payment answers two seconds late; the answer to the first charge never comes.
  let charges = 0;
  await customer.route(/\/pay(\/card-page)?$|\/type$/, async (route) => {
    const answer = await route.fetch();
    await new Promise((resolve) => setTimeout(resolve, 2000));
    if (route.request().url().endsWith('/pay') && (charges += 1) === 1) return route.abort();
    return route.fulfill({ response: answer });
  });
  await payByCard(form.getByRole('button', { name: /^Pay .*43\.21/ }), trialCards.accepted);
  await expect(form.getByRole('alert')).toContainText('Whether this arrived is not known');
  await expect(form.getByRole('alert')).not.toContainText('Nothing was taken');
  // The page of the card service is not in the history any more, and the page loaded anew asks by itself.
  await customer.reload();
  await expect(form.getByRole('button', { name: /43\.21/ })).toHaveCount(0, { timeout: 20_000 });
  await expect.poll(() => charges).toBe(2);
  await expect(customer).toHaveURL(/#pay$/);
  await page.goto(invoice);
  await expect(page.locator('.page-head .state')).toContainText('Paid');
  await visit.close();
});

test('a payment is recorded on the page of its invoice, which says what it is paid with', async ({
  page,
}) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Sunroom on the courtyard' }).first().click();
  await page
    .getByRole('row', { name: /On account of the roofing/ })
    .getByRole('link')
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Invoice');
  // Named by when it came, so that a second try finds its own.
  const reference = `Bank ${Date.now()}`;
  await page.getByRole('button', { name: 'Record payment' }).click();
  const record = page.getByRole('dialog', { name: 'Record payment' });
  await expect(record).toContainText('goes on others that are open, then stays as credit');
  await record.getByLabel('Amount in USD').fill('98.69');
  await record.getByLabel('Reference').fill(reference);
  await tick(record.getByRole('radio', { name: 'ACH' }));
  await record.getByRole('button', { name: 'Record payment' }).click();
  const paid = page.locator('aside dl').first();
  await expect(paid).toContainText(reference);
  await expect(paid).toContainText('−98.69');
  await expect(page.getByText('Part paid')).toBeVisible();
  expect(await serious(page)).toEqual([]);
  const receipt = await page.request.get(
    (await paid.getByRole('link', { name: 'ACH' }).last().getAttribute('href'))!,
  );
  expect((await receipt.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('reminders due are ticked, asked about once, sent, and are gone', async ({ page }) => {
  await page.goto('/money');
  const due = page.getByRole('region', { name: 'Reminders due' });
  // A second try of this finds them sent.
  if (await due.isVisible()) {
    const boxes = due.getByRole('checkbox', { name: /^Remind / });
    const sendButton = due.getByRole('button', { name: /^Send/ });
    // Nothing goes out that nobody chose.
    await expect(sendButton).toBeDisabled();
    for (const box of await boxes.all()) if (await box.isEnabled()) await tick(box);
    await sendButton.click();
    const question = page.getByRole('dialog', { name: /^Send / });
    await question.getByRole('button', { name: 'Cancel' }).click();
    await expect(question).toBeHidden();
    await sendButton.click();
    await question.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(page.getByText(/(is|are) sent\./)).toBeVisible();
  }
  await expect(due).toHaveCount(0);
  await page.goto('/outbox');
  await expect(page.getByRole('button', { name: /^Perhaps it slipped by/ }).first()).toBeVisible();
});

test('what goes to the accountant goes once: journal and items of a batch', async ({ page }) => {
  await page.goto('/money');
  await page.getByRole('link', { name: 'For the accountant' }).click();
  await page.waitForURL('**/money/accountant');
  await page.getByLabel('From').fill('2020-01-01');
  await page.getByLabel('From').press('Enter');
  const make = page.getByRole('button', { name: 'Make the batch' });
  await expect(page.getByText(/Not exported yet:|in an earlier batch/)).toBeVisible();
  if (await make.isEnabled()) await make.click();
  await expect(page.getByText('All of this is in an earlier batch.')).toBeVisible();
  await expect(make).toBeDisabled();
  for (const name of ['Journal', 'Items']) {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name }).first().click(),
    ]);
    expect(file.suggestedFilename()).toMatch(new RegExp(`^batch-\\d+-${name.toLowerCase()}\\.csv$`));
  }
  await page.getByText('Accounts the journal books on').click();
  await expect(page.getByLabel('Sales tax')).toHaveValue('2200');
  expect(await serious(page)).toEqual([]);
});

test('costs are recorded by the keyboard, taken back, and looked back on', async ({ page }) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Screened porch over the garden' }).first().click();
  await page.getByRole('link', { name: 'Job costing' }).click();
  const what = `Posts and beams ${Date.now()}`;
  await page.getByLabel('What for').fill(what);
  await page.getByLabel('Amount', { exact: true }).fill('612.40');
  await page.keyboard.press('Enter');
  const row = page.getByRole('row', { name: what });
  await expect(row).toContainText('612.40');
  await expect(page.getByTestId('job')).toContainText('Cost so far');
  // The next is typed where the last was.
  await expect(page.getByLabel('What for')).toBeFocused();
  await row.getByRole('button', { name: /Void/ }).click();
  await expect(page.getByRole('row', { name: what })).toHaveCount(2);
  await page.getByText('Cost code', { exact: true }).first().click();
  await expect(page.getByRole('table', { name: 'By cost code' })).toBeVisible();
  expect(await serious(page)).toEqual([]);

  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Reports' }).click();
  await expect(page.getByRole('table', { name: 'Agreements' })).toContainText(
    'Screened porch over the garden',
  );
  await page.getByRole('link', { name: 'Proposals' }).last().click();
  await expect(page.getByRole('table', { name: 'By seller' })).toContainText('Linnet Farrow');
  expect(await serious(page)).toEqual([]);
});

test('one check of a customer for several agreements: shared out to what is due first, changed by hand over a slow answer', async ({
  page,
}) => {
  const reference = `No. ${Date.now()}`;
  await page.goto('/customers');
  await page.getByRole('link', { name: 'Hollin Vasquell' }).click();
  await page.waitForURL('**/customers/*-*');
  await page.getByRole('button', { name: 'Record payment' }).click();
  const dialog = page.getByRole('dialog', { name: 'Record payment of Hollin Vasquell' });
  const amount = dialog.getByLabel('Amount in USD');
  await expect(amount).not.toHaveValue('');
  const rows = dialog.locator('.payment-over-row input');
  expect(await rows.count()).toBeGreaterThan(1);
  const shared = async () => {
    const texts = await rows.evaluateAll((inputs) =>
      inputs.map((input) => (input as HTMLInputElement).value),
    );
    return texts.reduce((sum, text) => sum + cents(text || '0.00'), 0n);
  };
  await amount.fill('');
  await amount.pressSequentially('1000', { delay: 30 });
  await expect.poll(shared).toBe(100_000n);
  expect(await serious(page)).toEqual([]);
  await page.route('**/customers/**', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    return route.continue();
  });
  // By hand: until the parts come to the sum, nothing can be recorded.
  await rows.first().fill('12.5');
  const record = dialog.getByRole('button', { name: /^Record/ });
  await expect(dialog.getByRole('status')).toBeVisible();
  await expect(record).toBeDisabled();
  await dialog.getByRole('button', { name: 'Share it out: what is due first' }).click();
  await expect.poll(shared).toBe(100_000n);
  await dialog.getByLabel('Reference').fill(reference);
  await record.click();
  await expect(page.getByText('1,000.00 recorded.')).toBeVisible();
  await expect(dialog).toHaveCount(0);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.goto(`/money/payments?search=${reference.slice(4)}`);
  await expect(page.getByRole('row', { name: new RegExp(reference) })).not.toHaveCount(0);

  // What was due first is of this agreement; void, it owes as before.
  await page.goto('/agreements');
  await page.getByText('Sunroom for the corner house').first().click();
  const row = page.getByRole('table', { name: 'Received' }).getByRole('row', { name: new RegExp(reference) });
  await row.getByRole('button', { name: 'Void' }).click();
  const back = page.getByRole('dialog', { name: /recorded by mistake/ });
  await back.getByLabel('Why').fill('tried out');
  await back.getByRole('button', { name: 'Void payment' }).click();
  await expect(page.getByText('void: tried out')).toBeVisible();
});
