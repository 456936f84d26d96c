import { trialCards } from '@/gateways/cards/standIn';
import {
  beforeTax,
  cents,
  expect,
  issueInvoice,
  newestLink,
  payByCard,
  saved,
  shownLink,
  test,
  tick,
  watch,
} from './desk';

const unique = Date.now().toString(36);

test('from a new customer to the last cent billed', async ({ page, browser, troubles }) => {
  // The whole job in one go: on two busy cores it takes longer than any other.
  test.setTimeout(300_000);

  // 1 and 2: a customer, a proposal from nothing.
  await page.goto('/customers');
  await page.getByRole('button', { name: 'New customer' }).click();
  await page.getByLabel('Name', { exact: true }).fill(`Isolde Fenn ${unique}`);
  await page.getByRole('textbox', { name: 'Email' }).fill('fenn@post.example');
  await page.getByLabel('Street and number').fill('9 Osier Bank');
  await page.getByLabel('City').fill('Marrowby');
  await page.getByRole('button', { name: 'Add customer' }).click();
  await page.waitForURL('**/customers/*-*');
  await page.getByRole('link', { name: 'New proposal' }).click();
  await page.getByLabel('Title, as the customer reads it').fill('Back porch');
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL('**/proposals/*-*');

  // 3: lines by keyboard alone.
  await page.waitForSelector('#add-line');
  await page.keyboard.press('/');
  await expect(page.locator('#add-line')).toBeFocused();
  const lines = [
    ['12 joist', 'Joist 2×8, 14 ft, treated'],
    ['196 decking pine', 'Decking, treated pine 5/4×6'],
    ['6 footing 12', 'Footing, 12 in round, 42 in deep, concrete'],
    ['2 stair ligth', 'Stair light, built in'],
    ['196 decking ash', 'Decking, thermo-treated ash'],
  ] as const;
  for (const [i, [typed, expected]] of lines.entries()) {
    await page.keyboard.type(typed);
    await expect(page.getByRole('option').first()).toContainText(expected);
    await page.keyboard.press('Enter');
    await expect(page.locator('tr.row')).toHaveCount(i + 1);
  }
  await expect(page.getByLabel('Quantity of Joist 2×8, 14 ft, treated')).toHaveValue('12');

  // Edit in place: arithmetic, a typed cost, a held price; the tally follows; undo and redo.
  const total = page.getByTestId('total');
  const before = await total.textContent();
  const quantity = page.getByLabel('Quantity of Joist 2×8, 14 ft, treated');
  await quantity.focus();
  await quantity.fill('6+8');
  await quantity.press('Enter');
  await expect(quantity).toHaveValue('14');
  await expect(total).not.toHaveText(before!);
  await page.getByLabel('Unit cost of Footing, 12 in round').fill('200');
  await page.getByLabel('Unit cost of Footing, 12 in round').press('Tab');
  await expect(page.getByText('cost changed, library has 190.65')).toBeVisible();
  await page.getByLabel('Unit price of Footing, 12 in round').fill('260');
  await page.getByLabel('Unit price of Footing, 12 in round').press('Enter');
  const edited = await total.textContent();
  await page.keyboard.press('Control+z');
  await expect(total).not.toHaveText(edited!);
  await page.keyboard.press('Control+y');
  await expect(total).toHaveText(edited!);
  await quantity.focus();
  await quantity.fill('twelve');
  await quantity.press('Tab');
  await expect(page.getByRole('alert').filter({ hasText: 'is not known here' })).toBeVisible();
  await expect(quantity).toHaveValue('14');

  // Reorder and remove by key.
  await page.getByLabel('Quantity of Stair light, built in').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.locator('tr.row').nth(2).locator('[data-cell=description]')).toHaveValue(
    'Stair light, built in',
  );

  // 4: an extra with a quantity of the customer's, and one question with three alternatives.
  await page.getByLabel('Quantity of Stair light, built in').focus();
  await page.keyboard.press('Alt+x');
  await page.getByLabel('Quantity of Stair light, built in').focus();
  await page.keyboard.press('Alt+Enter');
  await tick(page.getByLabel('The customer sets the quantity'));
  await page.getByLabel('to: Stair light, built in').fill('6');
  await page.getByLabel('to: Stair light, built in').press('Tab');
  await page.getByRole('button', { name: 'Close details' }).click();
  await page.getByLabel('Quantity of Decking, thermo-treated ash').focus();
  await page.keyboard.press('Control+Delete');
  await page.getByLabel('Quantity of Decking, treated pine').focus();
  await page.keyboard.press('Alt+q');
  for (const words of ['196 decking ash', '196 decking composite']) {
    await page.getByRole('button', { name: 'Add another' }).click();
    await page.locator('#add-line').fill(words);
    await expect(page.getByRole('option').first()).toContainText('Decking');
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('customer picks 1 of 3')).toBeVisible();
  await saved(page);

  // 5: the schedule sums to the total, also when it is changed.
  await page.getByRole('button', { name: 'Payments' }).click();
  await page.getByLabel('Share of On signing').fill('15');
  await page.getByLabel('Share of On signing').press('Tab');
  const amounts = await page.locator('.step-table tbody tr td.amount').allTextContents();
  expect(amounts.slice(0, -1).reduce((sum, text) => sum + cents(text), 0n)).toBe(cents(amounts.at(-1)!));
  await saved(page);

  // It is all there after a reload.
  const offered = await total.textContent();
  await page.reload();
  await expect(page.getByTestId('total')).toHaveText(offered!);

  // 6: preview and send.
  await page.getByRole('button', { name: 'Preview and send' }).click();
  const preview = page.frameLocator('iframe');
  await expect(preview.getByTestId('booklet-total')).toHaveText(offered!);
  await page.getByRole('button', { name: 'Send proposal' }).click();
  await expect(page.getByText('Revision 1 is ready to hand over')).toBeVisible();
  const address = await shownLink(page);
  expect(await newestLink(page)).toBe(address);

  // 7: the customer on a phone, without an account.
  const phone = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    storageState: { cookies: [], origins: [] },
  });
  const customer = await phone.newPage();
  watch(customer, troubles);
  await customer.goto(address);
  const shown = customer.getByTestId('booklet-total');
  await expect(shown).toHaveText(offered!);
  const card = customer.locator('label.card', { hasText: 'thermo-treated ash' });
  const difference = cents(await card.locator('.card-price').textContent());
  const pine = await beforeTax(customer);
  await card.click();
  await expect(shown).not.toHaveText(offered!);
  expect((await beforeTax(customer)) - pine).toBe(difference);
  const withAsh = await shown.textContent();
  await customer.locator('label.card', { hasText: 'Stair light' }).click();
  await expect(shown).not.toHaveText(withAsh!);
  const withLights = await shown.textContent();
  await customer.getByRole('button', { name: 'One more: Stair light' }).click();
  await expect(shown).not.toHaveText(withLights!);
  const payments = await customer.locator('.timeline .item-amount').allTextContents();
  expect(payments.reduce((sum, text) => sum + cents(text), 0n)).toBe(cents(await shown.textContent()));

  // The partner's browser sees the same choices.
  const partner = await phone.newPage();
  // It hears of nothing by itself, as on a net that comes and goes.
  await partner.route('**/now?*', (route) => route.abort());
  await partner.goto(address);
  await expect(partner.getByTestId('booklet-total')).toHaveText((await shown.textContent())!);

  const agreed = await shown.textContent();
  await customer.getByLabel('Your name').fill('Isolde Fenn');
  await customer.getByText('Draw my signature').click();
  const pad = (await customer.locator('canvas').boundingBox())!;
  await customer.mouse.move(pad.x + 20, pad.y + 40);
  await customer.mouse.down();
  await customer.mouse.move(pad.x + 120, pad.y + 90, { steps: 6 });
  await customer.mouse.up();
  await customer.getByText('I accept this proposal as shown').click();
  await customer.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(customer.getByText('Signed by Isolde Fenn')).toBeVisible();

  // The other browser, still open on the old page, is told who has signed, and gets the agreement that is there.
  await partner.getByLabel('Your name').fill('Bevis Fenn');
  await partner.getByText('I accept this proposal as shown').click();
  await partner.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(partner.getByText('signed this on')).toContainText('Isolde Fenn');
  await partner.getByRole('button', { name: 'Read what was signed' }).click();
  await expect(partner.getByText('Signed by Isolde Fenn')).toBeVisible();

  // The deposit: a refused card, then an accepted one.
  await payByCard(customer.getByRole('button', { name: /^Pay / }), trialCards.refused);
  await expect(customer.getByText('not enough money on the account. Nothing was taken.')).toBeVisible();
  await payByCard(customer.getByRole('button', { name: /^Pay / }), trialCards.accepted);
  await expect(customer.getByText(', paid')).toBeVisible();
  await phone.close();

  // 8: back at the desk.
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Back porch' }).first().click();
  await page.waitForURL('**/agreements/*-*');
  await expect(page.getByTestId('standing')).toContainText(agreed!);
  await page.getByRole('link', { name: 'Bill “Frame stands”' }).first().click();
  await issueInvoice(page);
  await expect(page.getByText(/Invoice \d{4}-\d+ is issued/)).toBeVisible();
  await page.getByRole('button', { name: 'Record payment' }).first().click();
  // The amount follows the invoice that was just issued.
  await expect(page.getByRole('dialog').getByLabel('Amount in USD')).not.toHaveValue('');
  await page.getByRole('dialog').getByRole('button', { name: 'Record payment' }).click();
  await expect(page.getByText(/recorded\./)).toBeVisible();
  await page.getByRole('link', { name: 'Bill work done' }).click();
  await page.getByRole('radio', { name: 'Remaining balance' }).click();
  await issueInvoice(page);
  await page.waitForURL(/\/agreements\/[0-9a-f-]+$/);
  await expect(page.getByRole('link', { name: 'Bill work done' })).toHaveCount(0);
  const invoices = page.getByRole('table', { name: 'Invoices' }).locator('tbody tr.ant-table-row');
  await expect(invoices).toHaveCount(3);
  const totals = await invoices.locator('td.amount:nth-child(6)').allTextContents();
  expect(totals.reduce((sum, text) => sum + cents(text), 0n)).toBe(cents(agreed));

  // 9: the papers.
  const pdf = await page.request.get(
    (await page.getByRole('link', { name: 'PDF' }).first().getAttribute('href'))!,
  );
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const xml = await page.request.get(
    (await page.getByRole('link', { name: 'UBL' }).first().getAttribute('href'))!,
  );
  expect(await xml.text()).toContain('urn:oasis:names:specification:ubl:schema:xsd:Invoice-2');
});

test('a proposal document goes out and comes in again with the same figures', async ({ page }) => {
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  await page.waitForURL('**/proposals/*-*');
  const total = await page.getByTestId('total').textContent();
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const document = await page.request.get(`/api/v1/proposals/${id}/document.json`);
  await page.goto('/proposals/new');
  await page.getByLabel('For').click();
  await page.keyboard.type('Okonder');
  await page.keyboard.press('Enter');
  await page.getByText('A proposal document (JSON)').click();
  const input = page.getByLabel('Proposal document', { exact: true });
  await input.setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"impegno-proposal"}'),
  });
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await expect(page.getByText('This document cannot be used')).toBeVisible();
  await input.setInputFiles({
    name: 'proposal.json',
    mimeType: 'application/json',
    buffer: await document.body(),
  });
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL('**/proposals/*-*');
  await expect(page.getByTestId('total')).toHaveText(total!);
});
