import type { Locator, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { watch } from '../e2e/desk';

/*
 * A new owner, an empty database, no demo and no documentation: from the first page to a proposal that is sent. It only does
 * what the pages offer, by their words. WALK=slow thinks before every step and types as people do; else the thinking is
 * reckoned, not waited for.
 */

const slow = process.env.WALK === 'slow';
/** How long somebody who sees a page for the first time looks at it before doing something, and between two keys. */
const THINK = 8_000;
const KEY = 180;

interface Step {
  readonly step: string;
  readonly keys: number;
  readonly presses: number;
  readonly seconds: number;
}

/** What somebody does, counted: how many keys and presses, and how long it takes with thinking. */
class Walk {
  readonly steps: Step[] = [];
  #keys = 0;
  #presses = 0;

  constructor(readonly page: Page) {}

  async step(name: string, work: () => Promise<void>): Promise<void> {
    const began = Date.now();
    const [keys, presses] = [this.#keys, this.#presses];
    await work();
    const done = { keys: this.#keys - keys, presses: this.#presses - presses };
    const reckoned = slow ? 0 : (done.presses + 1) * THINK + done.keys * KEY;
    if (slow) await this.page.waitForTimeout(THINK);
    this.steps.push({ step: name, ...done, seconds: Math.round((Date.now() - began + reckoned) / 1000) });
  }

  async press(what: Locator): Promise<void> {
    if (slow) await this.page.waitForTimeout(THINK);
    this.#presses += 1;
    await what.click();
  }

  async type(text: string): Promise<void> {
    this.#keys += text.length;
    await this.page.keyboard.type(text, { delay: slow ? KEY : 30 });
  }

  async key(name: string): Promise<void> {
    this.#keys += 1;
    await this.page.keyboard.press(name);
  }

  /** Goes into a field and types, as people do: pressed, then typed. */
  async fill(field: Locator, text: string): Promise<void> {
    await this.press(field);
    await this.type(text);
  }
}

test('from nothing to a proposal that is sent, in under fifteen minutes', async ({ page }) => {
  const troubles: string[] = [];
  watch(page, troubles);
  const walk = new Walk(page);
  const button = (name: string | RegExp) =>
    page.getByRole('button', { name, exact: typeof name === 'string' });

  await walk.step('open the address: it asks for the company and its owner', async () => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Set up your company' })).toBeVisible();
    await expect(page.getByLabel('Your name')).toBeFocused();
  });
  await walk.step('who I am', async () => {
    await walk.type('Tansy Marl');
    await walk.key('Tab');
    await walk.type('tansy@marl.example');
    await walk.key('Tab');
    await walk.type('walnut-harbor-skein');
  });
  await walk.step('what the company is called, and that is all', async () => {
    await walk.fill(page.getByLabel('Name of the company'), 'Marl & Daughters');
    await walk.press(button('Set it up'));
    await page.waitForURL('**/today');
    await expect(page.getByText(/Setting up: \d+ to go/)).toBeVisible();
  });
  await walk.step('what customers read of us', async () => {
    await walk.press(page.getByRole('link', { name: 'Your company on its papers', exact: true }));
    await walk.fill(page.getByLabel('Street'), '4 Mill Lane');
    await walk.fill(page.getByLabel('City'), 'Marrowby');
    await walk.fill(page.getByLabel('Phone'), '555 0134');
    await walk.press(button('Save'));
    await expect(page.getByText(/^(Saved\.|Settings saved)/).first()).toBeVisible();
    await expect(page.getByText(/^(Saved\.|Settings saved)/)).toHaveCount(0);
  });
  await walk.step('the tax we charge', async () => {
    await walk.press(page.getByRole('button', { name: 'Taxes', exact: true }));
    await walk.press(button('Add a tax'));
    await walk.fill(page.getByLabel('Name of the tax', { exact: true }), 'State sales tax');
    await walk.fill(page.getByLabel('Percent of State sales tax'), '6.25');
    await walk.press(button('Save'));
    await expect(page.getByText(/^(Saved\.|Settings saved)/).first()).toBeVisible();
    await expect(page.getByText(/^(Saved\.|Settings saved)/)).toHaveCount(0);
  });
  await walk.step('something to sell: the starting library', async () => {
    await walk.press(page.getByRole('link', { name: 'Today', exact: true }));
    await walk.press(page.getByRole('link', { name: 'Your library', exact: true }));
    await walk.press(button('All of them'));
    await walk.press(button(/^Take/));
    await page.waitForURL('**/library');
    await expect(page.getByText('Joist 2×8, 14 ft, treated')).toBeVisible();
  });
  await walk.step('a proposal for somebody who is not there yet', async () => {
    await walk.press(page.getByRole('link', { name: 'Today', exact: true }));
    await walk.press(page.getByRole('link', { name: 'New proposal' }).first());
    await expect(page.getByLabel('For')).toBeFocused();
    await walk.type('Anna Lunt');
    await expect(page.getByText('New customer “Anna Lunt”')).toBeVisible();
    await walk.key('Enter');
    const dialog = page.getByRole('dialog', { name: 'New customer' });
    await expect(dialog.getByLabel('Name', { exact: true })).toHaveValue('Anna Lunt');
    await walk.fill(dialog.getByLabel('Email'), 'anna@lunt.example');
    await walk.fill(dialog.getByLabel('Street and number'), '12 Heron Way');
    await walk.fill(dialog.getByLabel('City'), 'Marrowby');
    await walk.press(dialog.getByRole('button', { name: 'Add customer' }));
    await expect(dialog).toBeHidden();
  });
  await walk.step('what it is called', async () => {
    await expect(page.getByLabel('Title, as the customer reads it')).toBeFocused();
    await walk.type('Screened porch, rear of house');
    await walk.key('Enter');
    await page.waitForURL(/proposals\/[0-9a-f-]{36}/);
    await expect(page.getByLabel('Add a line to Work')).toBeFocused();
  });
  await walk.step('a few lines: an item, and a bundle with its size', async () => {
    await walk.type('12 joist');
    await expect(page.getByRole('option', { name: /Joist 2×8, 14 ft, treated/ })).toBeVisible();
    await walk.key('Enter');
    await expect(page.getByLabel('Add a line to Work')).toHaveValue('');
    await walk.type('porch floor');
    await expect(page.getByRole('option', { name: /Porch floor, grade, area/ })).toBeVisible();
    await walk.key('Enter');
    await expect(page.getByLabel('Area, sq ft')).toBeFocused();
    await walk.type('240');
    await walk.key('Enter');
    await expect(page.getByLabel('Bundle', { exact: true })).toHaveValue(/240 sq ft/);
    await expect(page.getByText('All changes saved')).toBeVisible();
  });
  await walk.step('read it as the customer will, and send it', async () => {
    await walk.press(button('Preview and send'));
    await expect(page.getByLabel('To', { exact: true })).toHaveValue('anna@lunt.example');
    await walk.press(button('Send proposal'));
    // Nobody connected a mail server: that is said, and how the customer gets it.
    await expect(page.getByText('Revision 1 is ready to hand over.')).toBeVisible();
    await walk.press(button('Show the private link'));
    await expect(
      page
        .getByText(/\/b\/[\w-]{43}/)
        .or(page.locator('input[value*="/b/"]'))
        .first(),
    ).toBeVisible();
  });
  await walk.step('see that it went out', async () => {
    await walk.press(page.getByRole('link', { name: 'Today', exact: true }));
    await expect(page.getByText('Screened porch, rear of house').first()).toBeVisible();
    await expect(page.getByText('With the customer')).toBeVisible();
  });

  const sum = (of: (step: Step) => number) => walk.steps.reduce((total, step) => total + of(step), 0);
  const seconds = sum(({ seconds: each }) => each);
  const row = (...cells: readonly (string | number)[]) => `| ${cells.join(' | ')} |`;
  process.stdout.write(
    `${[
      row('step', 'keys', 'presses', 'seconds'),
      row('---', '---:', '---:', '---:'),
      ...walk.steps.map((step) => row(step.step, step.keys, step.presses, step.seconds)),
      row(
        'all',
        sum(({ keys }) => keys),
        sum(({ presses }) => presses),
        seconds,
      ),
    ].join('\n')}\n`,
  );
  expect(seconds).toBeLessThan(15 * 60);
  expect(troubles).toEqual([]);
});
