import { guideIndex, guidePages } from '@/services/help/guide';
import { pageFor } from '@/desk/help/pageFor';

const id = '01990000-0000-7000-8000-000000000001';
const slugOf = async (path: string, place = '') => pageFor(await guideIndex(), path, place)?.slug;

test('a screen leads to its page, a step of it to that of the step', async () => {
  expect(await slugOf(`/proposals/${id}`)).toBe('scope');
  expect(await slugOf(`/proposals/${id}`, 'step=price')).toBe('price');
  expect(await slugOf(`/proposals/${id}`, 'step=scope&on=x')).toBe('scope');
  expect(await slugOf('/proposals/new')).toBe('new-proposal');
  expect(await slugOf('/settings', 'about=people')).toBe('people');
  expect(await slugOf('/settings', 'about=taxes')).toBe('settings');
  expect(await slugOf('/agreements/stages')).toBe('agreements');
  expect(await slugOf('/money/accountant')).toBe('money');
  expect(await slugOf(`/money/${id}`)).toBe('invoices');
});

test('what has no page of its own leads to that of its place; what has none to none', async () => {
  expect(await slugOf(`/agreements/${id}/certificate`)).toBe('agreements');
  expect(await slugOf('/nowhere/at/all')).toBeUndefined();
  expect(pageFor([], '/today', '')).toBeNull();
});

/** The screens of the desk, by their addresses. */
const screens = [
  ...['/today', '/proposals', '/proposals/new', `/proposals/${id}`, '/customers', `/customers/${id}`],
  ...['/library', '/library/import', '/library/rates', '/library/start', '/library/items/new'],
  ...[`/library/items/${id}`, '/library/bundles/new', `/library/bundles/${id}`, '/agreements'],
  ...['/agreements/stages', `/agreements/${id}`, `/agreements/${id}/bill`, `/agreements/${id}/certificate`],
  ...[`/agreements/${id}/job-costing`, '/money', '/money/payments', '/money/costs', '/money/accountant'],
  ...[`/money/${id}`, '/reports', '/reports/age', '/settings', '/history', '/outbox', '/another-company'],
];

test.each(screens)('%s has a page', async (screen) => {
  expect(await slugOf(screen)).toBeDefined();
});

test('every page says what it is, and is more than its title', async () => {
  for (const { title, html, slug } of await guidePages()) {
    expect(title.length).toBeGreaterThan(3);
    expect(`${slug} ${html.length > 300}`).toBe(`${slug} true`);
    expect(html).not.toMatch(/<script|javascript:|<img/);
  }
});

test('a hint is a line, and there is one for every screen that is worked on', async () => {
  const index = await guideIndex();
  for (const { hint } of index) expect(hint.length).toBeLessThanOrEqual(130);
  for (const screen of [
    '/today',
    '/proposals/new',
    `/proposals/${id}`,
    `/agreements/${id}`,
    '/money',
    '/settings',
  ])
    expect(pageFor(index, screen, '')!.hint).not.toBe('');
});
