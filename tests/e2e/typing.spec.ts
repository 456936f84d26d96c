import type { Page } from '@playwright/test';
import { begin, expect, saved, test } from './desk';

/** Holds back every answer of the server by so many milliseconds. */
async function heldBack(page: Page, by: number): Promise<void> {
  if (by === 0) return;
  await page.route('**/*', async (route) => {
    const { method, url } = { method: route.request().method(), url: route.request().url() };
    if (method === 'GET' && !url.includes('/api/')) return route.continue();
    const answer = await route.fetch();
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
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(name).toHaveValue('');
  await expect(page.getByText('Not saved yet')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'New item' })).toBeVisible();
  await expect(back).toHaveCount(0);
  await expect(name).toHaveValue('');

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
  await page.reload();
  await open();
  await expect(page.getByRole('dialog').getByLabel('Name', { exact: true })).toHaveValue('Half a customer');
  await expect(back).toBeVisible();
  await page.getByRole('button', { name: 'Drop it' }).click();
  await expect(page.getByRole('dialog').getByLabel('Name', { exact: true })).toHaveValue('');
});
