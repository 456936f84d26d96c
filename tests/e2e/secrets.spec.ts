import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Response } from '@playwright/test';
import { trialCards } from '@/gateways/cards/standIn';
import { expect, newestLink, payByCard, saved, sendPlain, test } from './desk';

/** Costs, loads and notes that stand nowhere else: whatever the customer is served must not hold one of them. */
const secrets = [
  '417.31',
  '5,007.72',
  '5007.72',
  '33.77',
  '36.6193',
  '73195.313',
  'SECRET',
  'Dog in the yard',
  'Gate code',
  'Prefers one bill',
];

test('nothing internal in any response of a whole customer visit, PDF included', async ({
  page,
  browser,
}) => {
  // A proposal with costs and notes that can be told from everything else.
  await page.goto('/proposals');
  await page.getByRole('link', { name: 'Study under the roof' }).first().click();
  await page.waitForURL('**/proposals/*-*');
  const id = page.url().split('/').at(-1)!.split('?')[0]!;
  const document = (await (await page.request.get(`/api/v1/proposals/${id}/document.json`)).json()) as {
    internalNote?: string;
    sections: { internalNote?: string; entries: Record<string, unknown>[] }[];
    loads: { percent: string; name: string }[];
    taxClasses: { id: string }[];
  };
  document.internalNote = 'SECRET of the whole';
  document.sections[0]!.internalNote = 'SECRET of a section';
  Object.assign(document.sections[0]!.entries[0]!, {
    typedCost: '417.31',
    quantity: '12',
    internalNote: 'SECRET of a line',
    // What we expect to be measured, and what we earn on money set aside at our price.
    expected: '73195.313',
    code: 'SECRET-CODE',
    costCode: 'SECRET-ACCOUNT',
  });
  Object.assign(document.loads[1]!, { percent: '33.77', name: 'SECRET load' });
  document.sections[0]!.entries.push({
    kind: 'line',
    id: `aside-${Date.now()}`,
    description: 'A lamp to choose',
    unit: 'job',
    quantity: '1',
    costs: [],
    taxClass: document.taxClasses[0]!.id,
    internalNote: 'SECRET of an allowance',
    allowance: { rule: 'at our price', amount: '250', fee: '36.6193', shows: 'price', rounds: [] },
  });
  await page.goto('/proposals/new');
  await page.getByLabel('For').click();
  await page.keyboard.type('Vasquell');
  await page.keyboard.press('Enter');
  await page.getByText('A proposal document (JSON)').click();
  await page.getByLabel('Proposal document', { exact: true }).setInputFiles({
    name: 'p.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...document, shows: 'prices' })),
  });
  await page.getByRole('button', { name: 'Start proposal' }).click();
  await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
  await expect(page.getByText('417.31').or(page.locator('input[value="417.31"]')).first()).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Preview and send' }).click();
  await page.getByRole('button', { name: 'Send proposal' }).click();
  await expect(page.getByText('Revision 1 is ready to hand over')).toBeVisible();
  const address = await newestLink(page);

  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const customer = await context.newPage();
  const bodies: Promise<[string, Buffer]>[] = [];
  customer.on('response', (response: Response) => {
    bodies.push(
      response.body().then(
        (body) => [response.url(), body] as [string, Buffer],
        () => [response.url(), Buffer.alloc(0)] as [string, Buffer],
      ),
    );
  });
  await customer.goto(address);
  const before = await customer.getByTestId('booklet-total').textContent();
  await customer.locator('label.card').nth(2).click();
  await expect(customer.getByTestId('booklet-total')).not.toHaveText(before!);
  await customer.getByLabel('Your name').fill('Hollin Vasquell');
  await customer.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(customer.getByText('Tick that you agree.')).toBeVisible();
  await customer.getByText('I accept this proposal as shown').click();
  await customer.getByRole('button', { name: 'Accept and sign' }).click();
  await expect(customer.getByText('Signed by Hollin Vasquell')).toBeVisible();
  await payByCard(customer.getByRole('button', { name: /^Pay / }), trialCards.accepted);
  await expect(customer.getByText(', paid')).toBeVisible();

  // What is still to be chosen, a question, the certificate and its statement.
  await expect(customer.getByText('A lamp to choose').first()).toBeAttached();
  await customer.getByRole('button', { name: 'Ask us' }).click();
  await customer.getByLabel('What would you like to know?').fill('Which way does the door open?');
  await customer.getByRole('button', { name: 'Send the question' }).click();
  await expect(customer.getByText('We will answer here and by mail.')).toBeVisible();
  await customer.goto(`${address}/certificate`);
  await expect(customer.getByText('What is stored is what was signed.')).toBeVisible();
  const keep = await customer.getByRole('link', { name: 'Keep the statement' }).getAttribute('href');
  const statement = await (await customer.request.get(new URL(keep!, address).href)).text();
  expect(statement).toContain('A lamp to choose');
  await customer.goto(address);

  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'impegno-pdf-'));
  const text = async (url: string) => {
    const file = path.join(folder, 'paper.pdf');
    fs.writeFileSync(file, await (await customer.request.get(url)).body());
    return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  };
  const attached = (file: string) => {
    execFileSync('pdfdetach', ['-save', '1', '-o', `${file}.xml`, file]);
    return fs.readFileSync(`${file}.xml`, 'utf8');
  };
  const invoice = await customer.getByRole('link', { name: /^Invoice \d/ }).getAttribute('href');
  const papers = {
    proposal: await text(`${address}/proposal.pdf`),
    invoice: await text(new URL(invoice!, address).href),
    // The invoice as data, that goes along in its file.
    data: attached(path.join(folder, 'paper.pdf')),
  };
  expect(papers.proposal).toContain('Study under the roof');
  expect(papers.invoice).toContain('Invoice');
  expect(papers.data).toContain('CrossIndustryInvoice');

  const served = [
    ...(await Promise.all(bodies)).map(([url, body]) => [url, body.toString('utf8')] as const),
    ...Object.entries(papers),
    ['statement', statement] as const,
  ];
  expect(served.length).toBeGreaterThan(8);
  expect(served.some(([, body]) => body.includes('Study under the roof'))).toBe(true);
  for (const [url, body] of served)
    for (const secret of secrets) expect([url, secret, body.includes(secret)]).toEqual([url, secret, false]);
  await context.close();
});

test('a link that leads nowhere says so, and a decline keeps its reason', async ({ page, browser }) => {
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  const customer = await context.newPage();
  await customer.goto(`/b/${'A'.repeat(43)}`);
  await expect(customer.getByText('This link leads nowhere')).toBeVisible();

  await customer.goto(await sendPlain(page, 'A handrail not wanted'));
  await customer.getByRole('button', { name: 'Decline this proposal' }).click();
  await customer.getByLabel('What keeps you from it?').fill('We wait for the roof first.');
  await customer.getByRole('button', { name: 'Decline', exact: true }).click();
  await expect(customer.getByText('You declined this proposal')).toBeVisible();
  await page.reload();
  await expect(page.getByText('We wait for the roof first.')).toBeVisible();
  await context.close();
});
