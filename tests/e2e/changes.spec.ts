import fs from 'node:fs';
import type { Page } from '@playwright/test';
import {
  choose,
  begin,
  expect,
  linkTo,
  saved,
  sendPlain,
  serious,
  test,
  tick,
  watch,
  shownLink,
} from './desk';

const phone = { width: 390, height: 844 };
const porch = 'Back porch at Withy Court';

/** A proposal of two lines, of which one is set aside, sent. */
async function send(page: Page, title: string): Promise<string> {
  await begin(page, title);
  const add = page.locator('#add-line');
  for (const words of ['10 handrail cedar', '80 porch board']) {
    await add.fill(words);
    await expect(page.getByRole('option').first()).toBeVisible();
    await add.press('Enter');
    await expect(add).toHaveValue('');
  }
  await page.locator('[data-cell=quantity]').nth(1).focus();
  await page.keyboard.press('Alt+a');
  await expect(page.locator('.choice-tag', { hasText: 'allowance' })).toBeVisible();
  await page.getByRole('button', { name: /^Choices/ }).click();
  const card = page.locator('section[aria-label^="Allowance "]');
  await card.getByLabel(/to spend per/).fill('10');
  await card.getByLabel(/our fee/).fill('20');
  await choose(
    card.getByLabel(/how the difference is settled/),
    'At cost, fee on the excess: what goes beyond it carries our fee',
  );
  await choose(card.getByLabel(/the customer reads/), 'they read what to spend, and the fee');
  await expect(card).toContainText('800.00 to spend, at what it costs us');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  const preview = page.frameLocator('iframe');
  await expect(preview.getByText('An allowance for what you choose later').first()).toBeVisible();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  return await shownLink(page);
}

async function sign(customer: Page, says = 'Accept and sign', name = 'Odalie Brannock'): Promise<void> {
  await expect(async () => {
    await customer.getByLabel('Your name').last().fill(name);
    await tick(customer.getByRole('checkbox', { name: /I agree to sign/ }).last());
    await expect(customer.locator('.typed-signature').last()).toHaveText(name, { timeout: 1000 });
  }).toPass();
  await customer.getByRole('button', { name: says }).click();
}

test('set aside, asked for, chosen on a phone and signed, settled by a change order that the customer signs', async ({
  page,
  browser,
  troubles,
}) => {
  const link = await send(page, 'Steps with boards to choose');
  const customer = await (await browser.newContext({ viewport: phone })).newPage();
  watch(customer, troubles);
  await customer.goto(link);
  await sign(customer);
  await expect(customer.getByText('Accepted on')).toBeVisible();

  // A round is prepared at the desk and goes out.
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Steps with boards to choose' }).first().click();
  await page.getByRole('button', { name: 'New round' }).click();
  const dialog = page.getByRole('dialog');
  const fill = async (label: string, nth: number, text: string) => {
    await dialog.getByLabel(label, { exact: true }).nth(nth).fill(text);
    await dialog.getByLabel(label, { exact: true }).nth(nth).press('Tab');
  };
  await fill('What is to be chosen', 0, 'Which board?');
  await fill('Alternative', 0, 'Fir, oiled');
  await fill('Alternative', 1, 'Oak');
  await dialog.getByLabel('Price of Fir, oiled', { exact: true }).fill('9.50');
  await dialog.getByLabel('Price of Oak', { exact: true }).fill('13');
  await dialog.getByLabel('Price of Oak', { exact: true }).press('Tab');
  await expect(dialog).toContainText('1,040.00');
  expect(await serious(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Let the customer choose' }).click();
  await expect(dialog.getByRole('button', { name: 'Show the private link' })).toBeVisible();
  await page.keyboard.press('Escape');

  await customer.reload();
  await expect(customer.getByText('To spend', { exact: false }).first()).toBeAttached();
  const chosen = customer.getByTestId('round-chosen');
  await expect(chosen).toHaveText('760.00');
  await expect(async () => {
    await customer.getByRole('radio', { name: /Oak/ }).check();
    await expect(chosen).toHaveText('1,040.00', { timeout: 1000 });
  }).toPass();
  // 240.00 over, at a fee of 20 % of the price: 300.00.
  await expect(customer.locator('.round')).toContainText('240.00 over');
  await expect(customer.locator('.round')).toContainText('300.00');
  // With its tax of 6.25 %, which is what the customer pays more.
  await expect(customer.getByTestId('round-added')).toHaveText('318.75');
  expect(await serious(customer)).toEqual([]);
  // On another phone their partner picks the other: it stands here too, is told, and is theirs to change again.
  const partner = await customer.context().newPage();
  await partner.goto(customer.url());
  await expect(async () => {
    await partner.getByRole('radio', { name: /Fir, oiled/ }).check();
    await expect(partner.getByTestId('round-chosen')).toHaveText('760.00', { timeout: 1000 });
  }).toPass();
  await partner.waitForLoadState('networkidle');
  await partner.close();
  await customer.bringToFront();
  await expect(chosen).toHaveText('760.00');
  await expect(customer.getByText('Somebody else with this link chose just now')).toBeVisible();
  await customer.getByRole('radio', { name: /Oak/ }).check();
  await expect(chosen).toHaveText('1,040.00');
  await customer.getByRole('button', { name: 'Sign for 1,040.00' }).click();
  await sign(customer, 'Choose and sign');
  await expect(
    customer.getByText(/Signed by Odalie Brannock on .*it changes the price by 300.00/),
  ).toBeVisible();

  // Settled by a change order.
  await page.reload();
  await tick(page.getByRole('checkbox', { name: /^Settle / }));
  await page.getByRole('button', { name: 'Settle by a change order' }).click();
  await page.waitForURL(/proposals/);
  await page.getByRole('button', { name: 'Payments' }).click();
  await tick(page.getByRole('radio', { name: 'A payment of its own' }));
  await expect(page.getByRole('row', { name: /Change order 1/ })).toContainText('318.75');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send change order' }).click();
  await expect(page.getByRole('button', { name: 'Show the private link' })).toBeVisible();

  await customer.goto(link);
  await customer.getByRole('link', { name: /Change order 1: settling/ }).click();
  await expect(customer.getByRole('heading', { name: 'What it does to our agreement' })).toBeVisible();
  await expect(customer.locator('.effect')).toContainText('318.75');
  expect(await serious(customer)).toEqual([]);
  await sign(customer);
  await expect(customer.getByText('Signed by Odalie Brannock on').first()).toBeVisible();
  await customer.goto(link);
  await expect(customer.getByText('Settled with change order 1; nothing is left of it.')).toBeVisible();
  await customer.context().close();
});

test('a line of the agreement is left out in part and another increased, by new quantities', async ({
  page,
}) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: porch }).click();
  await page.getByRole('button', { name: 'Write a change order' }).click();
  await page.waitForURL(/proposals/);
  await page.getByRole('button', { name: 'From the agreement' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Find a line of the agreement').fill('old deck');
  const quantity = dialog.getByLabel(/^New quantity of Take down old deck/);
  await quantity.fill('160');
  await dialog.getByLabel('Find a line of the agreement').fill('deck');
  await quantity.fill('100');
  await expect(dialog.getByRole('button', { name: 'Put 1 line in' })).toBeEnabled();
  await quantity.fill('-4');
  await expect(dialog.getByText('not below zero')).toBeVisible();
  await quantity.fill('100');
  expect(await serious(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Put 1 line in' }).click();
  await expect(page.locator('[data-cell=description]').last()).toHaveValue(/^Left out: 50 sq ft of/);
  await expect(page.getByTestId('total')).toContainText('−');
  await saved(page);
  await page.getByRole('button', { name: 'Payments' }).click();
  await expect(page.getByLabel('Effect on the agreement')).toContainText('Contract sum');
  expect(await serious(page)).toEqual([]);
});

test('asked and answered; said yes by phone; the certificate checks, and a changed statement does not', async ({
  page,
  browser,
  troubles,
}, testInfo) => {
  const title = 'Handrail for the old steps';
  const link = await sendPlain(page, title);
  const customer = await (await browser.newContext({ viewport: phone })).newPage();
  watch(customer, troubles);
  await customer.goto(link);
  await expect(async () => {
    await customer.getByRole('button', { name: 'Ask us' }).click();
    await customer.getByLabel('What would you like to know?').fill('Is it oiled?', { timeout: 1000 });
  }).toPass();
  await customer.getByRole('button', { name: 'Send the question' }).click();
  await expect(customer.getByText('We will answer here and by mail.')).toBeVisible();

  await page.goto('/today');
  await page.getByLabel('Answer to: Is it oiled?').fill('Twice, before it is put up.');
  await page.getByRole('button', { name: 'Answer' }).last().click();
  await expect(page.getByLabel('Answer to: Is it oiled?')).toBeHidden();
  await customer.reload();
  await expect(customer.getByText('Twice, before it is put up.')).toBeVisible();

  await page.goto('/proposals');
  await page.getByRole('link', { name: title }).first().click();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await page.getByRole('button', { name: 'They said yes' }).click();
  await page.getByLabel('What was said').fill('Rang back at noon.');
  await page.getByRole('button', { name: 'Record their yes' }).click();
  await page.waitForURL(/agreements/);
  await expect(page.getByText(/Said yes by phone on/)).toBeVisible();

  await customer.goto(link);
  await customer.getByRole('link', { name: /What was signed/ }).click();
  await expect(customer.getByText('✓ What is stored is what was signed.')).toBeVisible();
  await expect(customer.getByText('Perrin Ashdown: Rang back at noon.')).toBeVisible();
  expect(await serious(customer)).toEqual([]);
  const [download] = await Promise.all([
    customer.waitForEvent('download'),
    customer.getByRole('link', { name: 'Keep the statement' }).click(),
  ]);
  const kept = testInfo.outputPath('statement.json');
  await download.saveAs(kept);
  await customer.goto('/check');
  await customer.getByLabel('The statement').setInputFiles(kept);
  await expect(customer.getByRole('status')).toContainText('What is stored is what was signed.');
  const changed = testInfo.outputPath('changed.json');
  fs.writeFileSync(changed, fs.readFileSync(kept, 'utf8').replace('by phone', 'in person'));
  await customer.getByLabel('The statement').setInputFiles(changed);
  await expect(customer.getByRole('status')).toContainText('it was changed since');
  expect(await serious(customer)).toEqual([]);
  await customer.context().close();
});

test('declined and taken up again; what changed since the last revision, for us and for the customer', async ({
  page,
  browser,
  troubles,
}) => {
  const title = 'Landing to think over';
  const link = await sendPlain(page, title);
  const customer = await (await browser.newContext({ viewport: phone })).newPage();
  watch(customer, troubles);
  await customer.goto(link);
  await expect(async () => {
    await customer.getByRole('button', { name: 'Decline this proposal' }).click();
    await customer.getByLabel('What keeps you from it?').fill('Too long', { timeout: 1000 });
  }).toPass();
  await customer.getByRole('button', { name: 'Decline', exact: true }).click();
  await expect(customer.getByText('You declined this proposal.')).toBeVisible();

  await page.goto('/proposals');
  await page.getByRole('link', { name: title }).first().click();
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await page.getByRole('button', { name: 'Take it up again' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take it up again' }).click();
  await expect(page.locator('.editor-head').getByText('Draft')).toBeVisible();
  await customer.reload();
  await expect(customer.getByText('This is being revised')).toBeVisible();
  await page.getByRole('button', { name: 'Scope' }).click();
  const quantity = page.locator('[data-cell=quantity]').first();
  await quantity.fill('7');
  await quantity.press('Tab');
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'What changed' }).first().click();
  await expect(page.getByLabel('Lines that changed')).toContainText('10 ft');
  await expect(page.getByLabel('Sums before and now')).toContainText('Cost');
  expect(await serious(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Send as revision 2' }).click();
  await expect(page.getByRole('button', { name: 'Show the private link' })).toBeVisible();
  await customer.reload();
  await customer.getByText('What changed since revision 1').click();
  await expect(customer.locator('.changes')).toContainText('Total');
  expect(await linkTo(page, title)).toContain('/b/');
  await customer.context().close();
});
