// From a key to the total painted, in Debian's Chromium: our sheet against a page of bare inputs and a loop.
import { spawn } from 'node:child_process';
import net from 'node:net';
import type { Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import type { Actor } from '@/services/actor';
import { createCompany } from '@/services/entering/createCompany';
import { saveCustomer } from '@/services/customers/customers';
import { sendProposal } from '@/services/proposals/send';
import { importProposal } from '@/services/proposals/start';
import type { ProposalDocument } from '@/model';

const account = { email: 'bench@bench.example', password: 'a-bench-password' };
const TIMES = 40;

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });

async function serve(): Promise<{ address: string; stop: () => void }> {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    { env: { ...process.env, NODE_ENV: 'production', IMPEGNO_ADDRESS: address }, stdio: 'ignore' },
  );
  for (let tries = 0; tries < 240; tries += 1) {
    const up = await fetch(`${address}/api/v1/health`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (up) return { address, stop: () => void server.kill('SIGTERM') };
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  server.kill('SIGKILL');
  throw new Error('The application did not start.');
}

/** Stores a proposal for a company of its own; answers its identity and the company's owner. */
async function prepare(
  document: ProposalDocument,
  email = account.email,
): Promise<{ id: string; owner: Actor }> {
  const owner = await createCompany(
    {
      name: 'Bench',
      address: { street: '1 Row', city: 'Marrowby', region: '', postcode: '', country: 'US' },
      email: account.email,
      phone: '1',
      taxNumber: 'B',
      currency: 'USD',
      timeZone: 'UTC',
    },
    { name: 'Bench Owner', ...account, email },
    new Date(),
  );
  const { id: customerId, siteId } = await saveCustomer(owner, {
    name: 'Bench Customer',
    contactName: '',
    email: '',
    phone: '',
    billing: { street: '2 Row', city: 'Marrowby', region: '', postcode: '', country: 'US' },
    internalNote: '',
  });
  const { id } = await importProposal(owner, { customerId, siteId: siteId! }, document);
  return { id, owner };
}

/**
 * Milliseconds from the key event to the frame after the total has changed. The quantity is typed anew each time; the key
 * that is timed is Enter.
 */
async function timed(page: Page, field: string, total: string): Promise<number[]> {
  const taken: number[] = [];
  for (let i = 0; i < TIMES; i += 1) {
    await page
      .locator(field)
      .first()
      .fill(String((i % 9) + 21));
    await page.evaluate(
      ([of]) => {
        const shown = document.querySelector(of!)!;
        const state = window as unknown as { began: number; taken: Promise<number> };
        window.addEventListener('keydown', () => (state.began = performance.now()), {
          capture: true,
          once: true,
        });
        state.taken = new Promise((resolve) => {
          const observer = new MutationObserver(() => {
            observer.disconnect();
            // The frame that shows it, and the moment after.
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - state.began)));
          });
          observer.observe(shown, { characterData: true, childList: true, subtree: true });
        });
      },
      [total],
    );
    await page.locator(field).first().press('Enter');
    taken.push(await page.evaluate(() => (window as unknown as { taken: Promise<number> }).taken));
  }
  return taken;
}

const bare = (lines: number) => `<!doctype html><body><output>0</output><table>${Array.from(
  { length: lines },
  (_, i) => `<tr><td><input class="q" value="${(i % 17) + 1}"></td><td>${(i % 90) + 3.25}</td></tr>`,
).join('')}</table><script>
  const prices = [...document.querySelectorAll('td:last-child')].map((cell) => Number(cell.textContent));
  const fields = [...document.querySelectorAll('input')];
  document.addEventListener('keydown', (event) => {
    if (event.key !== 'Enter') return;
    let sum = 0;
    for (let i = 0; i < fields.length; i += 1) sum += Number(fields[i].value) * prices[i];
    document.querySelector('output').textContent = String(sum);
  });
</script></body>`;

/** Milliseconds from the press on a box to the frame after the total has changed. */
async function tapped(page: Page, box: string, total: string): Promise<number[]> {
  const taken: number[] = [];
  for (let i = 0; i < TIMES; i += 1) {
    await page.evaluate(
      ([of]) => {
        const state = window as unknown as { began: number; taken: Promise<number> };
        window.addEventListener('pointerdown', () => (state.began = performance.now()), {
          capture: true,
          once: true,
        });
        state.taken = new Promise((resolve) => {
          const observer = new MutationObserver(() => {
            observer.disconnect();
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - state.began)));
          });
          observer.observe(document.querySelector(of!)!, {
            characterData: true,
            childList: true,
            subtree: true,
          });
        });
      },
      [total],
    );
    await page.locator(box).nth(2).click();
    taken.push(await page.evaluate(() => (window as unknown as { taken: Promise<number> }).taken));
    await page.waitForTimeout(150);
  }
  return taken;
}

const bareBoxes = (choices: number) => `<!doctype html><body><output>0</output>${Array.from(
  { length: choices },
  (_, i) => `<p><label><input type="checkbox" value="${(i % 90) + 3.25}"> ${i}</label></p>`,
).join('')}<script>
  const boxes = [...document.querySelectorAll('input')];
  document.addEventListener('change', () => {
    let sum = 0;
    for (const box of boxes) if (box.checked) sum += Number(box.value);
    document.querySelector('output').textContent = String(sum);
  });
</script></body>`;

/** Median from the tap to the painted total: a booklet with its choices on a phone, and a bare page of boxes. */
export async function tapToTotal(given: ProposalDocument): Promise<[number, number]> {
  const { id, owner } = await prepare(given, 'booklet@bench.example');
  const { token } = await sendProposal(owner, {
    proposalId: id,
    saveNumber: 0,
    to: 'customer@bench.example',
    words: '',
  });
  const { address, stop } = await serve();
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
    await page.goto(`${address}/b/${token}`);
    await page.waitForLoadState('networkidle');
    const plain = await browser.newPage({ viewport: { width: 390, height: 844 } });
    await plain.setContent(bareBoxes(200));
    const box = '.card:not(.card-out) input[type=checkbox]';
    const ours = median(await tapped(page, box, '[data-testid=booklet-total]'));
    const reference = median(await tapped(plain, 'input', 'output'));
    return [ours, reference];
  } finally {
    await browser.close();
    stop();
  }
}

const median = (all: number[]) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]!;

/** Median from the key to the painted total: our sheet, and the bare page. */
export async function keyToTotal(document: ProposalDocument, lines: number): Promise<[number, number]> {
  const { id } = await prepare(document);
  const { address, stop } = await serve();
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--headless', '--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(address);
    await page.getByLabel('Email').fill(account.email);
    await page.getByLabel('Password').fill(account.password);
    await page.keyboard.press('Enter');
    await page.waitForURL('**/today');
    await page.goto(`${address}/proposals/${id}`);
    await page.waitForSelector('#add-line');
    const plain = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await plain.setContent(bare(lines));
    const ours = median(await timed(page, 'tr.row [data-cell=quantity]', '[data-testid=total]'));
    const reference = median(await timed(plain, 'input.q', 'output'));
    return [ours, reference];
  } finally {
    await browser.close();
    stop();
  }
}
