import { begin, cents, choose, expect, saved, serious, test, tick } from './desk';

test('a bundle made from nothing: computed while it is typed, errors at their place, kept and used', async ({
  page,
}) => {
  const mark = String(Date.now() % 100_000);
  await page.goto('/library');
  await page.getByRole('link', { name: 'New bundle' }).click();
  await page.waitForURL('**/library/bundles/new');
  await page.getByLabel('Code').fill(`B-N${mark}`);
  await page.getByLabel('Name, as the customer reads it').fill(`Planter ${mark}, {run} long`);
  await page.getByLabel('Trade').fill('Frame');
  const words = page.getByLabel('Words to find it by');
  await words.pressSequentially('planter box  cedar', { delay: 30 });
  await expect(words).toHaveValue('planter box  cedar');
  await page.getByRole('combobox', { name: 'Add a part' }).fill('lumber 2×8');
  await page.locator('.ant-select-dropdown:visible').getByText('FR-110 Lumber 2×8, treated').click();
  await expect(page.getByLabel('Quantity of lumber_2_8')).toHaveValue('run');
  await page.getByLabel('Quantity of lumber_2_8').fill('run * sides + 2ft');
  await page.keyboard.press('Enter');
  const trial = page.getByRole('complementary', { name: 'Trial' });
  await expect(trial).toContainText('“sides” is not known here.');
  await expect(page.locator('.recipe-trouble mark')).toHaveText('s');

  // The name appears as an input; the formula computes at once.
  await page.getByRole('button', { name: 'Ask for something more' }).click();
  const name = page.getByLabel('Name: Width');
  await name.fill('sides');
  await name.press('Enter');
  await choose(page.getByLabel('Kind: Width'), 'Count');
  await page.getByLabel('Try Run').fill(`6' 6"`);
  await page.keyboard.press('Enter');
  await expect(trial).toContainText(`Planter ${mark}, 6 ft 6 in long`);
  await expect(page.locator('.recipe-table').last()).toContainText('28 ft');
  await expect(trial.locator('.wrong')).toHaveCount(0);
  expect(await serious(page)).toEqual([]);
  await page.getByRole('button', { name: 'Add to the library' }).click();
  await page.waitForURL(/library\/bundles\/[0-9a-f-]{36}/);
  await expect(page.getByText(`B-N${mark}, edition 1`)).toBeVisible();

  await page.getByLabel('Quantity of lumber_2_8').fill('run * sides');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save in the library' }).click();
  await expect(page.getByText(`B-N${mark}, edition 2`)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Quantity of lumber_2_8')).toHaveValue('run * sides');
  await expect(words).toHaveValue('planter box cedar');
  await words.fill(Array.from({ length: 22 }, (_, i) => `w${i}`).join(' '));
  await expect(page.getByText('At most 20 words are kept; the last 2 are left out.')).toBeVisible();
});

test('an item: tried while it is typed, its cost kept over time, where it stands, starred', async ({
  page,
}) => {
  await page.goto('/library?q=composite');
  await page.getByRole('button', { name: 'Keep Porch floor board, composite at hand' }).click();
  await page.getByRole('link', { name: 'Porch floor board, composite' }).click();
  await page.waitForURL('**/library/items/*');
  const trial = page.getByRole('complementary', { name: 'Trial' });
  await page.getByLabel('Quantity tried').fill('600');
  await page.keyboard.press('Enter');
  // 600 ft and 6 % waste are past the break of 500: 636 × 3.10 + 600 × 0.026 h × 46.00.
  await expect(trial).toContainText('636');
  await expect(trial).toContainText('2,689.20');
  await expect(page.getByText('B-FLOOR')).toBeVisible();
  const history = page.getByRole('list', { name: 'Cost over time' }).locator('li');
  const kept = await history.count();
  const amount = page.getByLabel('Amount 1');
  const before = await amount.inputValue();
  await amount.fill('3.5');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save in the library' }).click();
  await expect(history).toHaveCount(kept + 1);
  await expect(history.first()).toContainText('4.546 → 4.696');
  await page.getByLabel('Amount 1').fill(before);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save in the library' }).click();
  await expect(history).toHaveCount(kept + 2);
  expect(await serious(page)).toEqual([]);
  await page.goto('/library?search=composite');
  const star = page.getByRole('button', { name: 'Keep Porch floor board, composite at hand' });
  await expect(star).toHaveAttribute('aria-pressed', 'true');
  await star.click();
  await page
    .getByRole('button', { name: 'New item' })
    .or(page.getByRole('link', { name: 'New item' }))
    .click();
  await page.waitForURL('**/library/items/new');
  await page.getByLabel('Code').first().fill('FR-144');
  await page.getByLabel('Name', { exact: true }).fill('Twice');
  await page.getByLabel('Trade').fill('Frame');
  await page.getByRole('button', { name: 'Add to the library' }).click();
  await expect(page.getByText('The code FR-144 is taken in the library.')).toBeVisible();
});

test('a supplier’s list: matched, looked through, taken in, and cancelled without a trace', async ({
  page,
}) => {
  const mark = `S${Date.now() % 100_000}`;
  await page.goto('/library');
  await page
    .getByRole('link', { name: 'Import' })
    .or(page.getByRole('button', { name: 'Import' }))
    .click();
  await page.waitForURL('**/library/import');
  const file = (name: string, rows: readonly string[]) =>
    page.getByLabel('Choose a file').setInputFiles({
      name,
      mimeType: 'text/csv',
      buffer: Buffer.from(['Our code;What it is;UoM;Cost', ...rows].join('\n')),
    });
  await file('list.csv', [
    `${mark}-1;Awning cloth ${mark};sf;3,15`,
    `${mark}-2;Awning arm;ea;88`,
    `${mark}-3;Bad;ell;1`,
  ]);
  await choose(page.getByLabel('What column Our code is'), 'code');
  await choose(page.getByLabel('What column What it is is'), 'name');
  await expect(page.getByText('2 new')).toBeVisible();
  await expect(page.getByText('The unit “ell” is not known.')).toBeVisible();
  expect(await serious(page)).toEqual([]);
  await page.getByRole('button', { name: 'Take 2 into the library' }).click();
  await expect(page.getByText('2 items added, 0 changed, 0 as they were, 1 rows left out.')).toBeVisible();
  await page.getByRole('link', { name: 'To the library' }).click();
  await page.getByLabel('Find in library').fill(`cloth ${mark}`);
  await expect(page.getByRole('link', { name: `Awning cloth ${mark}` })).toBeVisible();

  // A long list, cancelled on the way: the columns are known by now, and nothing of it stays.
  await page.goto('/library/import');
  const long = Array.from(
    { length: 30_000 },
    (_, i) => `${mark}-L${i};Rivet no. ${i} ${mark};ea;0,0${i % 9}`,
  );
  await file('long.csv', long);
  await expect(page.getByText('columns as last time')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Take 30000 into the library' }).click({ timeout: 60_000 });
  await expect(page.getByText(/of 30000 stored/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Cancel, nothing stays' }).click();
  await expect(page.getByText('Cancelled. Nothing was changed.')).toBeVisible();
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/desk/items?search=rivet+${mark}`);
      return ((await answer.json()) as { items: unknown[] }).items.length;
    })
    .toBe(0);
  await page.getByRole('button', { name: 'Another file' }).click();
  await page.getByLabel('Choose a file').setInputFiles({
    name: 'broken.xlsx',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from([0x50, 0x4b, 3, 4, 9, 9, 9]),
  });
  await expect(page.getByText('This workbook is damaged and cannot be read.')).toBeVisible();
});

test('a percentage on the costs of a tag, and a draft that takes them', async ({ page }) => {
  const title = `Pets on the porch ${Date.now() % 100_000}`;
  await page.goto('/proposals/new');
  await page.getByRole('combobox').first().pressSequentially('Brannock');
  await page.keyboard.press('Enter');
  await page.getByLabel('Title, as the customer reads it').fill(title);
  await page.keyboard.press('Enter');
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  const address = page.url();
  await page.locator('#add-line').fill('50 sc-112');
  await expect(page.locator('.add-found li').first()).toContainText('Screen mesh, pet-proof');
  await page.locator('#add-line').press('Enter');
  await expect(page.locator('tr.row')).toHaveCount(1);
  await saved(page);
  const total = page.getByTestId('total');
  const before = await total.textContent();

  await page.goto('/library');
  await page.getByRole('button', { name: 'Change costs' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Tag of the items').fill('dog');
  await dialog.getByLabel('Percent').fill('10');
  await dialog.getByRole('button', { name: 'See before and after' }).click();
  await expect(dialog.locator('tbody tr.ant-table-row')).toHaveCount(2);
  await expect(dialog.locator('tbody')).toContainText('SC-112');
  await dialog.getByRole('button', { name: 'Change 2 items' }).click();
  await expect(page.getByText('2 items changed.')).toBeVisible();
  const behind = page.getByRole('link', { name: title });
  await expect(async () => {
    if (!(await behind.isVisible())) await page.getByText(/drafts? ha(s|ve) older costs/).click();
    await expect(behind).toBeVisible({ timeout: 2000 });
  }).toPass();
  expect(await serious(page)).toEqual([]);

  await page.goto(address);
  await expect(page.getByText(/the library has .* now/)).toBeVisible();
  await page.getByRole('button', { name: '1 cost moved' }).click();
  await expect(page.getByRole('dialog')).toContainText('Screen mesh, pet-proof');
  await page.getByRole('button', { name: 'Take the library’s costs' }).click();
  await expect(total).not.toHaveText(before!);
  await expect(page.getByText(/the library has .* now/)).toHaveCount(0);
  await saved(page);
});

test('several entries at once: kept at hand, retired and brought back; late answers take nothing', async ({
  page,
}) => {
  await page.goto('/library?search=gutter&kind=item');
  const rows = page.locator('.list-table tbody tr.ant-table-row');
  await expect(rows.first()).toBeVisible();
  const count = await rows.count();
  expect(count).toBeGreaterThan(0);
  const codes = await rows.locator('td:nth-child(2)').allInnerTexts();
  await page.route('**/library*', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    await route.fallback();
  });
  const all = page.locator('thead').getByRole('checkbox').first();
  await expect(async () => {
    await all.check();
    await expect(page.getByText(`${count} selected`)).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByRole('button', { name: 'Retire', exact: true }).click();
  await expect(page.getByText(/retired\. Proposals that have them keep them\./)).toBeVisible({
    timeout: 20_000,
  });
  await expect(page.getByText('No match. Try fewer words, or clear a filter.')).toBeVisible();
  await page.goto('/library?search=gutter&state=retired');
  await expect(rows.locator('td:nth-child(2)')).toHaveText(codes);
  await expect(async () => {
    await all.check();
    await expect(page.getByText(`${count} selected`)).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByText(/back in use\./)).toBeVisible({ timeout: 20_000 });
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  // An address of before leads to the same.
  await page.goto('/library?q=gutter&kind=item');
  await expect(rows).toHaveCount(count);
});

test('two grades of a bundle side by side; its parts are found by a word, and stay in view while they are changed', async ({
  page,
}) => {
  const open = async (code: string) => {
    await page.goto(`/library?kind=bundle&search=${code}`);
    const row = page.locator('.list-table tbody tr.ant-table-row').filter({ hasText: code });
    await row.getByRole('link').first().click();
    await expect(page.getByText(new RegExp(`^${code}, edition`))).toBeVisible();
  };
  await open('B-FLOOR');
  const compared = page.getByRole('region', { name: 'Grades side by side' });
  await expect(compared).toBeVisible();
  const price = async (at: number) =>
    cents((await compared.locator('tfoot td').nth(at).textContent())!.split(' ')[0]!);
  // A third grade against the first: composite for pine.
  await choose(compared.getByLabel('with grade'), 'Composite');
  await expect(compared.getByText(/^Composite is/)).toBeVisible();
  const [one, other] = [await price(0), await price(1)];
  expect(other).not.toBe(one);
  const said = (await compared.getByText(/in price/).textContent())!;
  expect(cents(/is ([+−]?[\d,.]+) in price/.exec(said)![1]!.replace('+', ''))).toBe(other - one);
  // One and the same grade on both sides is alike.
  await choose(compared.getByLabel('with grade'), 'Treated pine');
  await expect(compared.getByText('They are alike.')).toBeVisible();
  expect(await serious(page)).toEqual([]);

  await open('B-FRAME');
  const parts = page
    .locator('.recipe-table')
    .last()
    .locator('tbody tr')
    .filter({ has: page.getByLabel(/^Item of /) });
  await expect(parts.first()).toBeVisible();
  const all = await parts.count();
  const find = page.getByLabel('Find in the parts');
  await find.pressSequentially('joist', { delay: 30 });
  await expect(page.getByRole('status').filter({ hasText: /^\d+ of \d+$/ })).toBeVisible();
  await expect.poll(() => parts.count()).toBeLessThan(all);
  await find.fill('');
  await expect(parts).toHaveCount(all);
});

test('several entries changed at once: before and after, taken back once; drafts told of a change before it is saved', async ({
  page,
}) => {
  await page.goto('/library?search=screen+mesh');
  const rows = page.locator('.list-table tbody tr.ant-table-row');
  await expect(rows.first()).toContainText('Screen mesh');
  const names = await rows.locator('a[href^="/library/items"]').allTextContents();
  await tick(page.getByRole('checkbox', { name: 'Select all' }));
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Change several' });
  await choose(dialog.getByLabel('Field', { exact: true }), 'Name');
  const look = dialog.getByRole('button', { name: 'See before and after' });
  await look.click();
  await expect(dialog.getByRole('alert')).toHaveText('Type the words that are replaced.');
  await dialog.getByLabel('These words').pressSequentially('screen MESH', { delay: 30 });
  await dialog.getByLabel('become', { exact: true }).pressSequentially('Insect mesh', { delay: 30 });
  await page.keyboard.press('Enter');
  const table = dialog.getByRole('table');
  await expect(table).toContainText('Insect mesh');
  expect(await serious(page)).toEqual([]);

  // What is typed on while the answer waits is not what was looked at.
  const make = dialog.getByRole('button', { name: /^Change/ });
  await expect(make).toBeEnabled();
  await dialog.getByLabel('become', { exact: true }).fill('Insect mesh ');
  await expect(make).toBeDisabled();
  await look.click();
  await make.click();
  await expect(dialog.getByText(/entr(y|ies) changed\./)).toBeVisible();
  await dialog.getByRole('button', { name: 'Take back Name: “Insect mesh ” for “screen MESH”' }).click();
  await expect(dialog.getByText(/entr(y|ies) as before\./)).toBeVisible();
  await expect(dialog.getByText('taken back').first()).toBeVisible();
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await expect(rows.locator('a[href^="/library/items"]')).toHaveText(names);

  // All of the list at once, without selecting; and bundles say that they have no such field.
  await page.goto('/library?trade=Decking');
  await page.getByRole('button', { name: /^Change all \d+ of this list/ }).click();
  await choose(dialog.getByLabel('Field', { exact: true }), 'Unit');
  await look.click();
  await expect(dialog).toContainText(/of \d+ entries change|Nothing changes for/);
  await dialog.getByRole('button', { name: 'Close' }).last().click();

  // An item says which drafts have it, and what they would come to with what is typed.
  await begin(page, 'A draft with mesh');
  await page.locator('#add-line').fill('50 sc-112');
  await expect(page.locator('.add-found li').first()).toContainText('Screen mesh, pet-proof');
  await page.locator('#add-line').press('Enter');
  await expect(page.locator('tr.row')).toHaveCount(1);
  await saved(page);
  await page.goto('/library?search=sc-112');
  await rows.first().getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'In drafts' })).toBeVisible();
  const drafts = page.locator('.effect-list li');
  await expect(drafts.first()).toContainText(/A draft with mesh.*no change/);
  await page.getByLabel('Amount 1').fill('99');
  await page.keyboard.press('Tab');
  await expect(drafts.first()).toContainText(/ to [\d,.]+, \+[\d,.]+/);
  await expect(page.getByText('with what is typed here')).toBeVisible();
});
