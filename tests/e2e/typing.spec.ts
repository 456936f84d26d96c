import type { Page } from '@playwright/test';
import { begin, expect, saved, test } from './desk';

/** Holds back every answer of the server by so many milliseconds. */
async function heldBack(page: Page, by: number): Promise<void> {
  if (by === 0) return;
  await page.route('**/*', async (route) => {
    const { method, url } = { method: route.request().method(), url: route.request().url() };
    if (method === 'GET' && !url.includes('/api/')) return route.continue();
    // A line that was kept open may be shut just as it is taken up again.
    const answer = await route.fetch({ maxRetries: 3 });
    await new Promise((resolve) => setTimeout(resolve, by));
    return route.fulfill({ response: answer });
  });
}

/** What is typed, and what the library has for it. */
const wanted = [
  ['12 joist 2x8', 'Joist 2×8, 14 ft, treated'],
  ['6 footing 12', 'Footing, 12 in round, 42 in deep, concrete'],
  ['10 handrail cedar', 'Handrail, cedar'],
] as const;

for (const by of [0, 300, 2000])
  test(`25 lines at 30 ms a key, every answer held back ${by} ms, are the lines that were typed`, async ({
    page,
  }) => {
    test.setTimeout(240_000);
    await begin(page, `Fast hands, ${by} ms`);
    await heldBack(page, by);
    const lines = Array.from({ length: 25 }, (_, i) => {
      const [words, name] = wanted[i % wanted.length]!;
      return { typed: words.replace(/^\d+/, String(21 + i)), quantity: String(21 + i), name };
    });
    for (const { typed } of lines) {
      await page.keyboard.type(typed, { delay: 30 });
      await page.keyboard.press('Enter');
    }
    await expect(page.locator('#add-line')).toHaveValue('');
    await expect(page.locator('.add-waiting')).toHaveCount(0, { timeout: 60_000 });
    await expect(page.getByText('All changes saved')).toBeVisible({ timeout: 60_000 });
    await page.unrouteAll({ behavior: 'wait' });
    // Read from what is stored, in its order: the screen draws only the rows in view.
    const id = /proposals\/([0-9a-f-]{36})/.exec(page.url())![1]!;
    const stored = await page.request.get(`/api/v1/proposals/${id}/document.json`);
    const { sections } = (await stored.json()) as {
      sections: { entries: { description: string; quantity: string }[] }[];
    };
    expect(
      sections.flatMap(({ entries }) =>
        entries.map(({ description, quantity }) => `${quantity} ${description}`),
      ),
    ).toEqual(lines.map(({ quantity, name }) => `${quantity} ${name}`));
    // And what is shown is the same.
    await page.reload();
    await expect(page.locator('tr.row').first()).toContainText('');
    await expect(page.getByLabel(`Quantity of ${lines[0]!.name}`).first()).toHaveValue('21');
  });

test('what finds nothing gives its text back, and holds nothing up', async ({ page }) => {
  await begin(page, 'Nothing fits');
  for (const typed of ['3 xylophone zzgq', '4 handrail cedar']) {
    await page.keyboard.type(typed, { delay: 30 });
    await page.keyboard.press('Enter');
  }
  const waiting = page.getByRole('list', { name: 'Not added yet' });
  await expect(waiting.getByRole('listitem')).toHaveCount(1);
  await expect(waiting).toContainText('3 xylophone zzgq');
  await expect(waiting).toContainText('Nothing in the library fits.');
  await expect(page.getByLabel('Quantity of Handrail, cedar')).toHaveValue('4');
  // Kept over a reload, and taken as a line of one's own.
  await saved(page);
  await page.reload();
  await expect(waiting).toContainText('3 xylophone zzgq');
  await waiting.getByRole('button', { name: 'Add as its own line' }).click();
  await expect(page.getByLabel('Quantity of xylophone zzgq')).toHaveValue('3');
  await expect(waiting).toHaveCount(0);
});

test('half a text in a field is said to be unsaved, saved a moment later, and lost by no reload', async ({
  page,
}) => {
  await begin(page, 'Half a text');
  await page.keyboard.type('6 footing 12');
  await page.keyboard.press('Enter');
  await saved(page);
  // In a cell, reloaded before it rests.
  const quantity = page.getByLabel('Quantity of Footing, 12 in round');
  await quantity.focus();
  await page.keyboard.type('38+6', { delay: 30 });
  await expect(page.getByText('All changes saved')).toHaveCount(0);
  page.on('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(quantity).toHaveValue('44');
  await saved(page);
  // In the add line.
  await page.keyboard.press('/');
  await page.keyboard.type('9 handr', { delay: 30 });
  await page.reload();
  await expect(page.locator('#add-line')).toHaveValue('9 handr');
  await page.locator('#add-line').press('Escape');
  // In the cover note, left by Back, with nothing arriving any more.
  await page.getByRole('button', { name: 'Wording' }).click();
  await expect(page).toHaveURL(/step=wording/);
  await page.route(/proposals\/[0-9a-f-]{36}/, (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await page.getByLabel('Cover note').focus();
  await page.keyboard.type('We start in May.', { delay: 30 });
  await page.goBack();
  await expect(page.locator('#add-line')).toBeVisible();
  await expect(page.getByText('All changes saved')).toHaveCount(0);
  await page.goto('/customers');
  await page.goto('about:blank');
  await page.unrouteAll();
  await page.goBack();
  await page.goBack();
  await page.getByRole('button', { name: 'Wording' }).click();
  await expect(page.getByLabel('Cover note')).toHaveValue('We start in May.');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Cover note')).toHaveValue('We start in May.');
});

test('letters typed in the last moment before a page goes are kept, though the browser’s database never answers', async ({
  page,
}) => {
  await page.addInitScript(() => {
    if (sessionStorage.getItem('answers')) return;
    const open = indexedDB.open.bind(indexedDB);
    indexedDB.open = (name) => {
      const request = open(`${name} that never answers`);
      request.addEventListener = () => undefined;
      return request;
    };
  });
  await begin(page, 'The last letters');
  await page.keyboard.type('6 footing 12');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.route(/proposals\/[0-9a-f-]{36}/, (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  page.on('dialog', (dialog) => void dialog.accept());
  await page.getByLabel('Quantity of Footing, 12 in round').fill('44');
  await page.locator('#add-line').focus();
  await page.keyboard.type('9 handr', { delay: 30 });
  await page.evaluate(() => sessionStorage.setItem('answers', 'yes'));
  await page.reload();
  await expect(page.locator('#add-line')).toHaveValue('9 handr');
  await page.unrouteAll();
  await expect(page.getByLabel('Quantity of Footing, 12 in round')).toHaveValue('44');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Quantity of Footing, 12 in round')).toHaveValue('44');
  await expect(page.locator('#add-line')).toHaveValue('9 handr');
});

test('Escape takes back what was typed, and what is typed after it stands', async ({ page }) => {
  await begin(page, 'Escape and again');
  await page.keyboard.type('6 footing 12');
  await page.keyboard.press('Enter');
  await saved(page);
  const quantity = page.getByLabel('Quantity of Footing, 12 in round');
  await quantity.focus();
  await page.keyboard.type('77', { delay: 30 });
  await page.waitForTimeout(600);
  await page.keyboard.press('Escape');
  await expect(quantity).toHaveValue('6');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('15', { delay: 30 });
  await page.keyboard.press('Tab');
  await expect(quantity).toHaveValue('15');
  await saved(page);
  // Steps are history; an edit made before leaving is there on coming Back.
  await page.getByRole('button', { name: 'Payments' }).click();
  await page.getByRole('button', { name: 'Wording' }).click();
  await page.goBack();
  await expect(page).toHaveURL(/step=payments/);
  await expect(page.getByRole('button', { name: 'Payments' })).toHaveAttribute('aria-current', 'step');
  await page.goBack();
  await expect(quantity).toHaveValue('15');
  await quantity.fill('17');
  await quantity.press('Tab');
  await page.getByRole('link', { name: 'Customers' }).click();
  await page.waitForURL('**/customers');
  await page.goBack();
  await expect(quantity).toHaveValue('17');
});

test('a form of the library and of a customer: typed and left by a reload, it is there again, and can be dropped', async ({
  page,
}) => {
  page.on('dialog', (dialog) => void dialog.accept());
  const back = page.getByText('What you typed here before is back.');
  await page.goto('/library/items/new');
  const name = page.getByLabel('Name', { exact: true });
  await expect(async () => {
    await name.fill('');
    await name.pressSequentially('Slate sill, 6 in', { delay: 30 });
    await expect(page.getByText('Not saved yet')).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.reload();
  await expect(name).toHaveValue('Slate sill, 6 in');
  await expect(back).toBeVisible();
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(name).toHaveValue('');
  await expect(page.getByText('Not saved yet')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'New item' })).toBeVisible();
  await expect(back).toHaveCount(0);
  await expect(name).toHaveValue('');

  // For whom and what a proposal is begun, typed fast, is there again too, with the site that goes with it.
  await page.goto('/proposals/new');
  await page.getByRole('combobox').first().pressSequentially('Brannock', { delay: 30 });
  await page.keyboard.press('Enter');
  await page.getByLabel('Title, as the customer reads it').pressSequentially('Half a title', { delay: 30 });
  await page.reload();
  await expect(page.getByLabel('Title, as the customer reads it')).toHaveValue('Half a title');
  await expect(page.getByTitle('14 Tern Lane, Marrowby', { exact: true })).toBeVisible();
  await expect(back).toBeVisible();
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await page.goto('/proposals/new');
  await expect(page.getByRole('button', { name: 'Start proposal' })).toBeVisible();
  await page.waitForTimeout(300);
  await expect(page.getByLabel('Title, as the customer reads it')).toHaveValue('');
  await expect(back).toHaveCount(0);

  // A dialog that is only looked at leaves nothing behind.
  await page.goto('/customers');
  const open = async () => {
    await expect(async () => {
      await page.getByRole('button', { name: 'New customer' }).click();
      await expect(page.getByRole('dialog')).toBeVisible({ timeout: 1000 });
    }).toPass();
  };
  await open();
  await page.waitForTimeout(300);
  await page.reload();
  await open();
  await page.waitForTimeout(300);
  await expect(back).toHaveCount(0);
  await page
    .getByRole('dialog')
    .getByLabel('Name', { exact: true })
    .pressSequentially('Half a customer', { delay: 30 });
  await page.getByRole('dialog').getByLabel('Street').pressSequentially('1 Half Way', { delay: 30 });
  await page.reload();
  await open();
  await expect(page.getByRole('dialog').getByLabel('Name', { exact: true })).toHaveValue('Half a customer');
  await expect(page.getByRole('dialog').getByLabel('Street')).toHaveValue('1 Half Way');
  await expect(back).toBeVisible();
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(page.getByRole('dialog').getByLabel('Name', { exact: true })).toHaveValue('');
});

test('the settings and a payment: typed and left by a reload, they are there again; what cannot be read is named', async ({
  page,
}) => {
  const back = page.getByText('What you typed here before is back.');
  await page.goto('/settings');
  const days = page.getByLabel(/Prices hold for/);
  const tax = page.getByLabel(/, % of the total/).first();
  const save = page.getByRole('button', { name: 'Save', exact: true }).first();
  const before = { days: await days.inputValue(), tax: await tax.inputValue() };
  await expect(async () => {
    await days.fill('');
    await days.pressSequentially('41', { delay: 30 });
    await tax.fill('');
    await tax.pressSequentially('8,25', { delay: 30 });
    await page.reload();
    await expect(back).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(days).toHaveValue('41');
  await expect(tax).toHaveValue('8,25');
  // In this company’s way of writing, a comma sets thousands apart: nothing is guessed, and nothing typed is gone.
  await save.click();
  const name = (await tax.getAttribute('aria-label'))!.split(',')[0]!;
  await expect(page.getByRole('alert').filter({ hasText: `${name}: ` })).toBeVisible();
  await expect(tax).toHaveValue('8,25');
  await tax.fill('8.25 %');
  await save.click();
  await expect(page.getByText('Settings saved.')).toBeVisible();
  await expect(tax).toHaveValue('8.25');
  await page.reload();
  await expect(tax).toHaveValue('8.25');
  await expect(days).toHaveValue('41');
  await expect(back).toHaveCount(0);
  await days.fill(before.days);
  await tax.fill(before.tax);
  await save.click();
  await expect(page.getByText('Settings saved.').last()).toBeVisible();

  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Attic room for the twins' }).first().click();
  await page.waitForURL(/agreements\/[0-9a-f-]{36}$/);
  const dialog = page.getByRole('dialog');
  const open = async () => {
    await expect(async () => {
      await page.getByRole('button', { name: 'Record payment' }).first().click();
      await expect(dialog).toBeVisible({ timeout: 1000 });
    }).toPass();
  };
  await open();
  const reference = dialog.getByLabel('Reference');
  const due = await dialog.getByLabel(/^Amount in/).inputValue();
  await dialog.getByLabel(/^Amount in/).fill('1,234.50');
  await reference.pressSequentially('cheque 4471', { delay: 30 });
  await page.reload();
  await open();
  await expect(reference).toHaveValue('cheque 4471');
  await expect(dialog.getByLabel(/^Amount in/)).toHaveValue('1,234.50');
  await expect(back).toBeVisible();
  await dialog.getByRole('button', { name: 'Discard' }).click();
  await expect(reference).toHaveValue('');
  await expect(dialog.getByLabel(/^Amount in/)).toHaveValue(due);
});

test('rates typed one after the other while every answer is held back 2 s: all of them stand', async ({
  page,
}) => {
  await page.goto('/library/rates');
  const normal = page.getByLabel('Helper, normal');
  const overtime = page.getByLabel('Helper, overtime');
  await expect(normal).toBeVisible();
  const before = { normal: await normal.inputValue(), overtime: await overtime.inputValue() };
  const type = async (field: typeof normal, value: string) => {
    await field.click();
    // A click into the field one is in already sets the caret, as everywhere.
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type(value, { delay: 30 });
    await page.keyboard.press('Tab');
  };
  await page.waitForTimeout(500);
  await heldBack(page, 2000);
  // Overtime first: an hour of it never costs less.
  await type(overtime, '99.75');
  await type(normal, '52.25');
  // What was typed stands there while it is on its way, and after.
  await expect(normal).toHaveValue('52.25', { timeout: 500 });
  await expect(overtime).toHaveValue('99.75', { timeout: 500 });
  await expect(
    page
      .getByText(/priced anew/)
      .or(page.getByText('Kept.'))
      .first(),
  ).toBeVisible();
  await page.waitForTimeout(2500);
  await page.unrouteAll({ behavior: 'wait' });
  await page.reload();
  await expect(normal).toHaveValue('52.25');
  await expect(overtime).toHaveValue('99.75');
  // Left before the first is answered, the second goes out from the next page.
  await heldBack(page, 2000);
  await type(normal, before.normal);
  await type(overtime, before.overtime);
  await page.waitForTimeout(400);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.reload();
  await expect(normal).toHaveValue(before.normal);
  await expect(overtime).toHaveValue(before.overtime);
  await expect(page.getByText('Saving …')).toHaveCount(0);
  await page.reload();
  await expect(normal).toHaveValue(before.normal);
  await expect(overtime).toHaveValue(before.overtime);
});

test('costs that are on their way when the page goes are still there, and come in once', async ({ page }) => {
  await page.goto('/agreements');
  await page.getByRole('link', { name: 'Attic room for the twins' }).first().click();
  await page.waitForURL(/agreements\/[0-9a-f-]{36}$/);
  await page.goto(`${page.url()}/costs`);
  const what = page.getByLabel('What for');
  const amount = page.getByLabel('Amount', { exact: true });
  const name = `Nails ${Date.now() % 1_000_000}`;
  await expect(async () => {
    await what.fill('x');
    await expect(what).toHaveValue('x', { timeout: 500 });
  }).toPass();
  await page.waitForTimeout(500);
  // It arrives; its answer never does.
  let cut = true;
  await page.route('**/*', async (route) => {
    if (route.request().method() !== 'POST' || !cut) return route.continue();
    await route.fetch();
    return undefined;
  });
  await what.fill(name);
  await amount.fill('12.30');
  await amount.press('Enter');
  await expect(page.getByText('One cost is being recorded')).toBeVisible();
  await what.fill('Half a cost');
  await page.waitForTimeout(400);
  cut = false;
  await page.reload();
  await expect(what).toHaveValue('Half a cost');
  const left = page.getByRole('alert').filter({ hasText: name });
  await expect(left).toContainText('Whether it is recorded is not known');
  await left.getByRole('button', { name: 'Try again' }).click();
  await expect(left).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('row').filter({ hasText: name })).toHaveCount(1);
});
