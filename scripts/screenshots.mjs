// npm run screenshots: one current picture of each main view, from a fresh demo, into docs/screenshots.
// Needs a running application with the demo (npm start) and Debian's Chromium.
import { chromium } from '@playwright/test';
import { root } from './cluster.mjs';

const base = process.env.IMPEGNO_ADDRESS ?? 'http://127.0.0.1:4310';
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
const page = await context.newPage();
const shot = async (name, of = page) => {
  await of.waitForTimeout(500);
  await of.screenshot({ path: `${root}/docs/screenshots/${name}.png` });
};

await page.goto(`${base}/sign-in`);
await page.getByLabel('Email').fill('perrin@quillbank.example');
await page.getByLabel('Password').fill('porch-swing-42');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.waitForURL('**/today');
await shot('today');
for (const name of ['proposals', 'library', 'money']) {
  await page.goto(`${base}/${name}`);
  await shot(name);
}
await page.goto(`${base}/reports/contract`);
await shot('reports');
await page.goto(`${base}/proposals`);
await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
await page.waitForSelector('.sheet');
await page.locator('#add-line').fill('12 hand');
await page.locator('.add-found li').first().waitFor();
await shot('scope');
await page.locator('#add-line').fill('');
const go = (step) => page.locator('.steps').getByRole('button', { name: step }).click();
for (const step of ['Payments', 'Send']) {
  await go(step);
  if (step === 'Send') await page.frameLocator('iframe').getByTestId('booklet-total').waitFor();
  await shot(step.toLowerCase());
}
await page.setViewportSize({ width: 820, height: 1180 });
await go('Scope');
await page.locator('.tally-foot').waitFor();
await shot('scope-tablet');
await page.setViewportSize({ width: 1280, height: 800 });
await page.goto(`${base}/proposals`);
await page.getByRole('link', { name: 'Back porch in three levels' }).first().click();
await page.waitForSelector('.sheet');
await go('Choices');
await page.locator('.range .pairs').waitFor();
await shot('choices');
await go('Price');
await page.getByLabel('Target', { exact: true }).fill('18000');
await page.locator('.shape-answer').waitFor();
await page.getByLabel('Shape the price').scrollIntoViewIfNeeded();
await shot('price');
await page.goto(`${base}/library?q=guard&kind=bundle`);
await page.getByRole('link', { name: 'Guard railing' }).click();
await page.getByLabel('Try Run').fill('38+64+22');
await page.getByLabel('Try Run').press('Enter');
await shot('bundle-editor');
await page.goto(`${base}/proposals`);
await page.getByRole('link', { name: 'Screened porch, rear of house' }).first().click();
await page.waitForSelector('.sheet');
await page.goto(`${page.url().split('#')[0]}#step=scope&on=plan`);
await page.locator('[data-traced]').first().click();
await page.waitForTimeout(800);
await shot('plan');
await page.goto(`${base}/agreements`);
await page.getByRole('link', { name: 'Screened porch over the garden' }).click();
await page.waitForSelector('[data-testid=standing]');
await shot('agreement');
await page.goto(`${base}/agreements`);
await page.getByText('Sunroom on the courtyard').first().click();
await page.getByRole('link', { name: 'Go on with the draft invoice' }).click();
await page.getByTestId('bill-sums').waitFor();
await shot('bill');
await page.goto(`${base}/agreements`);
await page.getByText('Sunroom on the courtyard').first().click();
await page.getByRole('link', { name: 'Job costing' }).click();
await page.getByRole('table', { name: 'By stage' }).waitFor();
await shot('costs');
await page.goto(`${base}/agreements`);
await page.getByRole('link', { name: 'Back porch at Withy Court' }).click();
await page.getByRole('link', { name: /^Change order 2/ }).click();
await page.waitForSelector('.sheet');
await go('Payments');
await page.getByLabel('Effect on the agreement').waitFor();
await shot('change');

const letter = async (title) => {
  await page.goto(`${base}/outbox?search=${encodeURIComponent(title)}`);
  await page.locator('.list-table tbody .row-act').first().click();
  const article = page.getByRole('dialog').getByRole('article');
  await article.getByRole('button', { name: 'Show the private link' }).click();
  return article.getByTestId('private-link').getAttribute('href');
};
const links = {
  booklet: await letter('Back porch in three levels'),
  'booklet-signed': await letter('Wall lamps: yours to choose'),
};
const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, reducedMotion: 'reduce' });
const small = await phone.newPage();
for (const [name, link] of Object.entries(links)) {
  await small.goto(new URL(link, base).href);
  if (name === 'booklet') await small.locator('.decide').first().scrollIntoViewIfNeeded();
  else await small.evaluate(() => document.querySelector('#choose')?.scrollIntoView());
  await shot(name, small);
}
await browser.close();
