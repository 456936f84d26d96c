import { expect, linkTo, newestLink, test } from './desk';

const baseURL = process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310';
const missing = '00000000-0000-7000-8000-000000000000';

test('the booklet’s doors: what is no JSON, too large, unknown or malformed is refused in one shape', async ({
  page,
  playwright,
}) => {
  const address = await linkTo(page, 'Back porch in three levels');
  const customer = await playwright.request.newContext({
    baseURL,
    storageState: { cookies: [], origins: [] },
  });
  const { pathname } = new URL(address);
  const post = async (door: string, data: unknown, type = 'application/json') => {
    const answer = await customer.post(`${pathname}/${door}`, {
      data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
      headers: { 'content-type': type },
    });
    const problem = (await answer.json()) as {
      status: number;
      detail: string;
      errors?: { pointer: string }[];
    };
    expect(answer.headers()['content-type']).toBe('application/problem+json');
    expect(problem.status).toBe(answer.status());
    expect(problem.detail).toMatch(/^[A-Z].*\.$/s);
    return problem;
  };
  for (const door of ['choices', 'accept', 'decline', 'pay', 'pay/code']) {
    expect((await post(door, 'name=value', 'application/x-www-form-urlencoded')).status).toBe(400);
    expect((await post(door, '{"half": ')).status).toBe(400);
    expect((await post(door, {})).status).toBe(422);
    expect((await post(door, [1, 2])).status).toBe(422);
    expect((await post(door, JSON.stringify({ reason: 'x'.repeat(250_000) }))).detail).toContain('too much');
  }
  const choices = { revisionId: missing, choices: { extras: {}, questions: {} } };
  expect((await post('choices', choices)).status).toBe(404);
  const { errors } = await post('choices', { ...choices, choices: { extras: { a: {} }, questions: {} } });
  expect(errors?.map(({ pointer }) => pointer)).toContain('/choices/extras/a');
  expect((await customer.get(`${pathname}/choices`)).status()).toBe(405);
  expect((await customer.get(`${pathname}/invoices/${missing}/invoice.pdf`)).status()).toBe(404);
  expect((await customer.get(`${pathname}/invoices/no-identity/invoice.pdf`)).status()).toBe(404);
  // A wrong link says the same whatever is wrong with it.
  for (const token of ['x', 'B'.repeat(43), `${'C'.repeat(42)}%20`])
    expect((await customer.get(`/b/${token}/proposal.pdf`)).status()).toBe(410);
  const headers = (await customer.get(pathname)).headers();
  expect(headers['cache-control']).toContain('no-store');
  expect(headers['referrer-policy']).toBe('no-referrer');
  expect(headers['x-robots-tag']).toContain('noindex');
  await customer.dispose();
});

test('the desk’s doors: what is not there is not found, and who is not signed in is told so', async ({
  page,
  playwright,
}) => {
  for (const door of [
    `/api/v1/proposals/${missing}/document.json`,
    `/api/v1/proposals/not-an-identity/proposal.pdf`,
    `/api/v1/invoices/${missing}/invoice.pdf`,
    `/api/v1/invoices/${missing}/invoice.xml`,
  ]) {
    const answer = await page.request.get(door);
    expect([door, answer.status()]).toEqual([door, 404]);
    expect(answer.headers()['content-type']).toBe('application/problem+json');
  }
  for (const place of ['proposals', 'customers', 'agreements', 'money']) {
    expect((await page.goto(`/${place}/${missing}`))!.status()).toBe(404);
    expect((await page.goto(`/${place}/not-an-identity`))!.status()).toBe(404);
  }
  const stranger = await playwright.request.newContext({
    baseURL,
    storageState: { cookies: [], origins: [] },
  });
  const refusal = await stranger.get('/api/v1/library.csv');
  expect(refusal.status()).toBe(401);
  expect(((await refusal.json()) as { detail: string }).detail).toContain('Sign in');
  // A made-up session is none.
  const forged = await stranger.get('/api/v1/library.csv', {
    headers: { cookie: `impegno-session=${'A'.repeat(43)}` },
  });
  expect(forged.status()).toBe(401);
  await stranger.dispose();
});

test('pictures: taken from one’s own page only, of a fair size, given to those signed in', async ({
  page,
  playwright,
}) => {
  const stranger = await playwright.request.newContext({
    baseURL,
    storageState: { cookies: [], origins: [] },
  });
  const body = Buffer.from('no picture');
  expect((await stranger.post('/api/v1/files?kind=plan&name=x', { data: body })).status()).toBe(401);
  expect((await stranger.post('/api/desk/files/sample?key=attic')).status()).toBe(401);
  expect((await stranger.get(`/api/v1/files/${missing}`)).status()).toBe(401);
  expect((await page.request.get(`/api/v1/files/${missing}`)).status()).toBe(404);
  expect((await page.request.get('/api/v1/files/..%2f..%2fetc')).status()).toBe(404);
  const post = async (query: string, data: Buffer, headers: Record<string, string> = {}) =>
    (await page.request.post(`/api/v1/files${query}`, { data, headers })).status();
  expect(await post('?kind=plan&name=x', body)).toBe(422);
  expect(await post('?kind=script&name=x', body)).toBe(400);
  expect(await post('?kind=plan', body, { origin: 'http://elsewhere.example' })).toBe(403);
  expect(await post('?kind=plan', Buffer.alloc(25 * 1024 * 1024 + 1))).toBe(413);
  const kept = (await (await page.request.post('/api/desk/files/sample?key=attic')).json()) as { id: string };
  const whole = await page.request.get(`/api/v1/files/${kept.id}`);
  expect(whole.headers()).toMatchObject({
    'content-type': 'image/png',
    'cache-control': 'private, max-age=31536000, immutable',
    'x-content-type-options': 'nosniff',
  });
  const small = await page.request.get(`/api/v1/files/${kept.id}?small`);
  expect(small.headers()['content-type']).toBe('image/webp');
  expect((await small.body()).length).toBeLessThan((await whole.body()).length);
  // The customer's side gives out only what the proposal that was sent shows.
  const { pathname } = new URL(await newestLink(page));
  expect((await stranger.get(`${pathname}/files/${kept.id}`)).status()).toBe(404);
  await stranger.dispose();
});

test('schemas are served to everyone and describe what is exported', async ({ page, playwright }) => {
  const stranger = await playwright.request.newContext({
    baseURL,
    storageState: { cookies: [], origins: [] },
  });
  const schema = (await (await stranger.get('/api/v1/schemas/proposal-document.json')).json()) as {
    required: string[];
    properties: Record<string, unknown>;
  };
  expect((await stranger.get('/api/v1/schemas/choices.json')).status()).toBe(200);
  expect((await stranger.get('/api/v1/schemas/anything-else.json')).status()).toBe(404);
  await stranger.dispose();
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Winter garden' }).first().click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  const id = /proposals\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const answer = await page.request.get(`/api/v1/proposals/${id}/document.json`);
  const document = (await answer.json()) as Record<string, unknown>;
  expect(Object.keys(schema.properties)).toEqual(expect.arrayContaining(Object.keys(document)));
  for (const name of schema.required) expect(document).toHaveProperty(name);
});

test('a place that is not there says so in our own words, with the way back', async ({ page }) => {
  expect((await page.goto('/no-such-place'))!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
  expect((await page.goto(`/proposals/${missing}`))!.status()).toBe(404);
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to Today' }).click();
  await page.waitForURL('**/today');
});

test('letters beyond the first alphabet are set in the same face, and only then fetched', async ({
  page,
}) => {
  const fonts: string[] = [];
  page.on('request', (request) => {
    if (/\.woff2?$/.test(request.url())) fonts.push(request.url());
  });
  await page.goto('/settings');
  await page.waitForLoadState('networkidle');
  expect(fonts.some((url) => url.includes('latin-ext'))).toBe(false);
  await page.goto('/customers');
  await page.getByPlaceholder('Find by name, contact, email, phone, address').fill('Łucja Őrségi');
  await expect.poll(() => fonts.some((url) => url.includes('latin-ext'))).toBe(true);
});

test('no page carries what only the server checks with', async ({ page }) => {
  const scripts = new Set<string>();
  page.on('request', (request) => {
    if (request.resourceType() === 'script') scripts.add(request.url());
  });
  for (const view of ['/proposals', '/settings', '/library/items/new', '/money', '/reports/contract']) {
    await page.goto(view);
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.waitForLoadState('networkidle');
  }
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
  await expect(page.locator('.bench-scroll')).toBeVisible();
  await page.waitForLoadState('networkidle');
  expect(scripts.size).toBeGreaterThan(10);
  // Each is read once and by itself: a page that is left takes the answers with it that had not come.
  const withSchemas: string[] = [];
  for (const url of scripts) {
    const text = await (await page.request.get(url)).text();
    // Words of the builder of schemas.
    if (text.includes('unevaluatedProperties')) withSchemas.push(url);
  }
  expect(withSchemas).toEqual([]);
});
