import { begin, choose, expect, newestLink, saved, test, tick } from './desk';
import { png } from '../support/png';

test('a markup level has markups of its own: added, named, typed as a margin, ordered; the sheet prices by it', async ({
  page,
}) => {
  await page.goto('/settings#about=pricing');
  const level = page.getByRole('table', { name: 'Markups of Small job' });
  await expect(level).toBeVisible();
  const rows = level.locator('tbody tr');
  const before = await rows.count();
  await page
    .locator('fieldset.load-set')
    .filter({ has: level })
    .getByRole('button', { name: 'Markup' })
    .click();
  await expect(rows).toHaveCount(before + 1);
  const last = rows.last();
  await last.getByLabel('Markup', { exact: true }).fill('Bond');
  await page.keyboard.press('Tab');
  await last.getByLabel('Bond, percent', { exact: true }).focus();
  await page.keyboard.type('20 margin', { delay: 30 });
  await page.keyboard.press('Tab');
  // 20 % of the price is a quarter of what comes before it.
  await expect(last.getByLabel('Bond, percent', { exact: true })).toHaveValue('20');
  await expect(last).toContainText('25.00 % markup');
  await choose(last.getByLabel('Bond: what it is'), 'bond');
  await last.getByRole('button', { name: 'Move Bond up' }).click();
  await expect(rows.nth(before - 1).getByLabel('Markup', { exact: true })).toHaveValue('Bond');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.reload();
  await expect(rows).toHaveCount(before + 1);
  await expect(rows.nth(before - 1).getByLabel('Markup', { exact: true })).toHaveValue('Bond');

  // As it was, for those who come after.
  await level.getByRole('button', { name: 'Remove Bond' }).click();
  await expect(rows).toHaveCount(before);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
});

test('a way of payment of the company’s own: added, recorded, told under its name, and gone again', async ({
  page,
}) => {
  await page.goto('/settings#about=invoices');
  const ways = page.getByRole('group', { name: 'Ways customers pay, as they are recorded by hand' });
  const save = async () => {
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Settings saved.').last()).toBeVisible();
  };
  // A second try finds what the first left.
  const left = ways.getByRole('button', { name: 'Remove Money order' });
  await expect(ways).toBeVisible();
  if (await left.isVisible()) await left.click();
  await ways.getByRole('button', { name: 'Way of payment' }).click();
  await ways.getByLabel('Way of payment 7').pressSequentially('cash', { delay: 30 });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Two ways of payment are called “cash”.')).toBeVisible();
  await ways.getByLabel('Way of payment 7').fill('Money order');
  await choose(ways.getByLabel('Money order is booked as'), 'Check');
  await save();

  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Screened porch over the garden' }).first().click();
  await page.getByRole('button', { name: 'Record payment' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'Record payment' });
  await tick(dialog.getByRole('radio', { name: 'Money order' }));
  await dialog.getByLabel(/^Amount in/).fill('1.07');
  // Named by when it came, so that a second try finds its own.
  const reference = `MO-${Date.now()}`;
  await dialog.getByLabel('Reference').fill(reference);
  await dialog.getByRole('button', { name: 'Record payment' }).click();
  await expect(
    dialog.getByRole('button', { name: 'Record it all the same' }).or(page.getByText(reference)),
  ).toBeVisible();
  if (await dialog.isVisible()) await dialog.getByRole('button', { name: 'Record it all the same' }).click();
  const row = page.getByRole('table', { name: 'Received' }).getByRole('row', { name: new RegExp(reference) });
  await expect(row).toContainText('Money order');
  await row.getByRole('button', { name: 'Void' }).click();
  const sure = page.getByRole('dialog');
  await sure.getByRole('textbox').first().fill(`not ${reference}`);
  await sure.getByRole('button', { name: /void/i }).last().click();
  await expect(row).toContainText(`void: not ${reference}`);

  // Gone from the settings, what was recorded keeps its name and can be looked for by it.
  await page.goto('/settings#about=invoices');
  await ways.getByRole('button', { name: 'Remove Money order' }).click();
  await save();
  await page.goto('/money/payments?method=Money+order');
  await expect(page.locator('.list-table tbody tr.ant-table-row').first()).toContainText('Money order');
});

test('numbers: how a paper is printed is seen while it is typed; what is no number goes back', async ({
  page,
}) => {
  await page.goto('/settings#about=numbers');
  const next = page.getByTestId('next-invoice');
  const before = await next.innerText();
  const prefix = page.getByLabel('Prefix of invoices');
  await expect(prefix).toBeVisible();
  await expect(async () => {
    await prefix.fill('');
    await prefix.pressSequentially('R-', { delay: 30 });
    await expect(next).toHaveText(`R-${before}`, { timeout: 1000 });
  }).toPass();
  const number = page.getByLabel('Next number of invoices');
  const stands = await number.inputValue();
  await number.fill('none');
  await page.keyboard.press('Tab');
  await expect(number).toHaveValue(stands);
  // Back is refused, in a sentence.
  await number.fill('1');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(`the next invoice is ${stands} or more`)).toBeVisible();
  await number.fill(stands);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved. Papers are numbered so from now on.').last()).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Prefix of invoices')).toHaveValue('R-');

  // As it was, for those who come after.
  await page.getByLabel('Prefix of invoices').fill('');
  await expect(next).toHaveText(before);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved. Papers are numbered so from now on.').last()).toBeVisible();
});

test('a tax changes on a day; each subject is saved by itself, and what is typed in another waits', async ({
  page,
}) => {
  await page.goto('/settings#about=proposals');
  const days = page.getByLabel('Prices hold for');
  await expect(days).toBeVisible();
  const validity = await days.inputValue();
  await expect(async () => {
    await days.fill('77');
    await expect(page.getByText('Not saved yet.')).toBeVisible({ timeout: 1000 });
  }).toPass();

  await page.getByRole('button', { name: 'Taxes', exact: true }).click();
  await expect(page.getByText('Also not saved: Proposals.')).toBeVisible();
  await page.getByRole('button', { name: 'Changes on a day …' }).first().click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/: from which day on\?/)).toBeVisible();
  const day = page.getByLabel('Day from which State sales tax changes');
  await day.click();
  await page.keyboard.type('+400', { delay: 30 });
  await page.keyboard.press('Enter');
  await page.getByLabel('Percent of State sales tax from then on').pressSequentially('6.5', { delay: 30 });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.').last()).toBeVisible();
  // The other subject was not saved with it, and is still typed.
  await expect(page.getByText('Also not saved: Proposals.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Percent of State sales tax from then on')).toHaveValue('6.5');
  await page.getByRole('button', { name: 'Proposals', exact: true }).click();
  await expect(days).toHaveValue('77');
  await days.fill(validity);

  // As it was.
  await page.getByRole('button', { name: 'Taxes', exact: true }).click();
  await page.getByRole('button', { name: 'Not after all' }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.').last()).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Changes on a day …' }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Not after all' })).toHaveCount(0);
});

test('a logo and a color of the company: one that is not read is refused, the other is on the customer’s page', async ({
  page,
  browser,
}) => {
  const link = await newestLink(page);
  await page.goto('/settings#about=company');
  const color = page.locator('#look-color');
  await expect(color).toBeVisible();
  await expect(async () => {
    await color.fill('#ffd800');
    await expect(page.getByText(/Too light to be read on paper: 1\.4 to 1/)).toBeVisible({ timeout: 1000 });
  }).toPass();
  const save = page.getByRole('button', { name: 'Save', exact: true });
  await save.click();
  await expect(page.getByText(/This color is too light to be read on paper/)).toBeVisible();
  await color.fill('#7a1f3d');
  await page
    .locator('.look-logo input[type=file]')
    .setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: png(120, 60) });
  await expect(page.locator('.look-logo img')).toBeVisible();
  await save.click();
  await expect(page.getByText('Saved. New papers say it from now on.').last()).toBeVisible();

  // The customer, with a browser of their own.
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const theirs = await context.newPage();
  await theirs.goto(link);
  const logo = theirs.locator('img.logo');
  await expect(logo).toBeVisible();
  await expect.poll(() => logo.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(120);
  expect(
    await theirs
      .locator('.booklet')
      .evaluate((page) => getComputedStyle(page).getPropertyValue('--green').trim()),
  ).toBe('#7a1f3d');
  await context.close();

  // As it was.
  await page.getByRole('button', { name: 'Remove the logo' }).click();
  await page.getByRole('button', { name: 'As the product has it' }).click();
  await save.click();
  await expect(page.getByText('Saved. New papers say it from now on.').last()).toBeVisible();
});

test('what is known of a customer is removed after their name is typed, and they are not offered any more', async ({
  page,
}) => {
  const name = `Gone Fenner ${Date.now().toString(36)}`;
  await page.goto('/proposals/new');
  await page.getByRole('button', { name: 'New customer' }).click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Street and number').fill('9 Fen Causeway');
  await page.getByLabel('City').fill('Marrowby');
  await page.getByRole('button', { name: 'Add customer' }).click();
  await expect(page.getByTitle('9 Fen Causeway, Marrowby', { exact: true })).toBeVisible();
  await page.goto('/customers');
  await page.getByPlaceholder('Find by name, contact, email, phone, address').fill(name);
  await expect(async () => {
    await page.getByRole('link', { name }).first().click({ timeout: 2000 });
    await page.waitForURL(/customers\/[0-9a-f-]{36}/, { timeout: 2000 });
  }).toPass();
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await page.getByRole('button', { name: 'Remove their data …' }).click();
  const dialog = page.getByRole('dialog');
  const remove = dialog.getByRole('button', { name: 'Remove their data' });
  await expect(remove).toBeDisabled();
  await dialog.getByRole('textbox').pressSequentially(name, { delay: 30 });
  await remove.click();
  await expect(page.getByRole('heading', { name: /^Removed customer, / })).toBeVisible();
  await expect(page.getByText(/What was known of them as a person was removed/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Change', exact: true })).toHaveCount(0);
  await expect(page.getByText('9 Fen Causeway')).toHaveCount(0);
});

test('cost codes: pasted, one for a trade, and an item of that trade has it', async ({ page }) => {
  await page.goto('/settings#about=library');
  const list = page.getByLabel(/A line each: code; name/);
  await expect(list).toBeVisible();
  const before = await list.inputValue();
  await expect(async () => {
    await list.fill('Code\tName\n07-300\tRoofing felt\n07-300\tTwice');
    await expect(page.getByText('Line 3: the code 07-300 stands there twice.')).toBeVisible({
      timeout: 1000,
    });
  }).toPass();
  await list.fill('Code\tName\n07-300\tRoofing felt\n06-100\tRough carpentry');
  await choose(page.getByLabel('Cost code of Roof', { exact: true }), '07-300 Roofing felt');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('2 cost codes are in use.')).toBeVisible();

  await page.goto('/library/items/new');
  const code = `CC-${Date.now().toString(36)}`;
  await page.getByLabel('Code', { exact: true }).fill(code);
  await page.getByLabel('Name', { exact: true }).fill(`Felt ${code}`);
  await page.getByLabel('Trade', { exact: true }).fill('Roof');
  await page
    .getByRole('button', { name: /^(Add|Save)/ })
    .first()
    .click();
  await page.waitForURL(/library\/items\/[0-9a-f-]{36}/);
  await expect(page.getByLabel('Cost code', { exact: true })).toHaveValue('07-300');

  // As it was.
  await page.goto('/settings#about=library');
  await expect(list).toHaveValue(/07-300/);
  await list.fill(before);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/cost codes? (is|are) in use\./).last()).toBeVisible();
});

test('a unit of the company’s own: typed fast over slow answers, then offered on a line', async ({
  page,
}) => {
  await page.goto('/settings#about=library');
  const units = page.getByLabel(/^Units of your own/);
  await expect(async () => {
    await units.fill('');
    await expect(units).toHaveValue('', { timeout: 1000 });
  }).toPass();
  await page.route('**/settings*', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    return route.continue();
  });
  await units.focus();
  await page.keyboard.type('roll\nsq ft', { delay: 30 });
  await page.getByRole('button', { name: 'Save the units' }).click();
  await expect(page.getByText('“sq ft” is there already, among the units everybody knows.')).toBeVisible();
  await units.fill('roll');
  await page.getByRole('button', { name: 'Save the units' }).click();
  // What is typed after the press stays.
  await units.press('End');
  await page.keyboard.type('\nsheet', { delay: 30 });
  await expect(page.getByText('Units saved.')).toBeVisible();
  await expect(units).toHaveValue('roll\nsheet');
  await page.unroute('**/settings*');

  await begin(page, 'Counted in rolls');
  await page.keyboard.type('3 tape of our own', { delay: 10 });
  await page.keyboard.press('Shift+Enter');
  const unit = page.getByLabel('Unit of tape of our own');
  await unit.selectOption('roll');
  await saved(page);
  await page.reload();
  await expect(unit).toHaveValue('own:roll');
});

test('commission: a percentage for all and another for one, told in its report', async ({ page }) => {
  await page.goto('/settings#about=pricing');
  const own = page.getByLabel('of what Linnet Farrow sold');
  await expect(async () => {
    await own.fill('7.5');
    await expect(own).toHaveValue('7.5', { timeout: 1000 });
  }).toPass();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await page.goto('/reports/commission');
  const rows = page.locator('tbody tr');
  await expect(rows.filter({ hasText: 'Linnet Farrow' }).first()).toContainText('7.5 %');
  await expect(rows.filter({ hasText: 'Perrin Ashdown' }).first()).toContainText('3 %');
  await page.goto('/settings#about=pricing');
  await expect(own).toHaveValue('7.5');
  await expect(async () => {
    await own.fill('');
    await expect(own).toHaveValue('', { timeout: 1000 });
  }).toPass();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
});

test('another program is given access: its token is told once, opens what it was given, and is ended', async ({
  page,
  playwright,
}) => {
  await page.goto('/settings#about=connections');
  const name = `Nightly ${Date.now()}`;
  await page.getByRole('button', { name: 'Give a program access' }).click();
  const dialog = page.getByRole('dialog');
  await page.keyboard.type(name, { delay: 30 });
  await dialog.getByRole('checkbox', { name: /^Export/ }).check();
  await dialog.getByRole('button', { name: 'Give it' }).click();
  const token = await dialog.getByLabel('Token').inputValue();
  expect(token).toMatch(/^impegno_/);
  await dialog.getByRole('button', { name: 'I have it' }).click();
  const row = page.getByRole('row').filter({ hasText: name });
  await expect(row).toContainText('never');

  const program = await playwright.request.newContext({
    baseURL: new URL(page.url()).origin,
    storageState: { cookies: [], origins: [] },
  });
  const ask = (path: string, bearer = token) =>
    program.get(path, { headers: { authorization: `Bearer ${bearer}` } });
  const list = await ask('/api/v1/lists/customers?format=csv');
  expect(list.status()).toBe(200);
  expect(await list.text()).toContain('Odalie Brannock');
  // What it was not given, and what no token opens.
  const refused = await ask('/api/v1/reports/tax?from=2026-01-01&to=2026-12-31');
  expect([refused.status(), (await refused.json()).code]).toEqual([403, 'role-not-allowed']);
  const wrong = await ask('/api/v1/lists/customers?format=csv', 'impegno_nothing');
  expect([wrong.status(), (await wrong.json()).code]).toEqual([401, 'token-refused']);
  const desk = await program.get('/customers', {
    headers: { authorization: `Bearer ${token}` },
    maxRedirects: 0,
  });
  expect(desk.status()).toBe(307);

  await page.reload();
  await expect(row).not.toContainText('never');
  await page.getByRole('button', { name: `End the access of ${name}` }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(row).toHaveCount(0);
  expect((await ask('/api/v1/lists/customers?format=csv')).status()).toBe(401);
  await program.dispose();
});

test('news to another program: its secret is told once, a trial is seen, and it is ended', async ({
  page,
}) => {
  await page.goto('/settings#about=connections');
  const address = `https://news-${Date.now()}.customer.example/impegno`;
  const open = page.getByRole('button', { name: 'Send news to a program' });
  const dialog = page.getByRole('dialog');
  await expect(async () => {
    await open.click();
    await expect(dialog).toBeVisible({ timeout: 1000 });
  }).toPass();
  // What is no address of that kind is said in place, and what was typed stays.
  await page.keyboard.type('customer.example', { delay: 30 });
  await dialog.getByRole('button', { name: 'Send it' }).click();
  await expect(dialog.getByText(/This is the address of a door/)).toBeVisible();
  await expect(dialog.getByLabel('Where it goes')).toHaveValue('customer.example');
  await dialog.getByLabel('Where it goes').fill(address);
  await dialog.getByRole('checkbox', { name: 'Money came in' }).uncheck();
  await dialog.getByRole('button', { name: 'Send it' }).click();
  await expect(dialog.getByLabel('Secret')).toHaveValue(/^[\w-]{43}$/);
  await dialog.getByRole('button', { name: 'I have it' }).click();
  const row = page.getByRole('row').filter({ hasText: address });
  await expect(row).toContainText('nothing waits');
  await row.getByRole('button', { name: `Send a trial to ${address}` }).click();
  await expect(page.getByText('It stays here.')).toBeVisible();
  // The queue takes it up within seconds; a demo’s news goes nowhere, and says so.
  await expect(async () => {
    if (await dialog.isVisible()) await page.keyboard.press('Escape');
    await row.getByRole('button', { name: `What was sent to ${address}` }).click({ timeout: 2000 });
    await expect(dialog.getByText('A demo’s news stays here.')).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 20_000, intervals: [500] });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: `End the news to ${address}` }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(row).toHaveCount(0);
});
