import type { Page } from '@playwright/test';
import { generateSync } from 'otplib';
import { choose, expect, test } from './desk';
import { invited, joins, newcomer, password, unique } from './newcomer';

async function signsIn(page: Page, email: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

test('somebody is invited, joins, sees what their role sees, is given another, and is out at once when deactivated', async ({
  page,
  browser,
}) => {
  const email = unique();
  const name = `Wren ${email.slice(0, 13)}`;
  const link = await invited(page, email, name, 'Seller');
  await expect(page.getByRole('row', { name }).getByText('Seller')).toBeVisible();
  const { context, page: theirs } = await newcomer(browser);
  await joins(theirs, link);
  await expect(theirs.getByRole('link', { name: 'New proposal' })).toBeVisible();
  await theirs.goto('/settings');
  // Nothing is offered that a seller may not do.
  await expect(theirs.getByRole('button', { name: 'You' })).toBeVisible();
  await expect(theirs.getByRole('button', { name: 'People' })).toHaveCount(0);
  await expect(theirs.getByText('Your role does not change this.')).toBeVisible();
  await theirs.goto('/money/accountant');
  await expect(theirs.getByRole('heading', { name: 'Your role does not see this' })).toBeVisible();

  // The link is used up.
  const { context: other, page: late } = await newcomer(browser);
  await late.goto(link);
  await expect(late.getByText('This invitation was accepted already.')).toBeVisible();
  await other.close();

  const change = async () => {
    await page.goto('/settings#about=people');
    await page.reload();
    await page.getByRole('button', { name: `Change ${name}` }).click();
  };
  await change();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/from /).first()).toBeVisible();
  await choose(dialog.getByLabel('Role'), 'Field');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toBeHidden();

  await theirs.goto('/today');
  await expect(theirs.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await expect(theirs.getByRole('article').first()).toBeVisible();
  const seen = await theirs.content();
  // Jobs with what is to do, and no sum: not in any byte of the page.
  expect(seen).not.toMatch(/\d{1,3},\d{3}\.\d{2}/);
  expect(seen).not.toMatch(/"(net|total|cost|price|margin)"/);
  await theirs.goto('/proposals');
  await expect(theirs.getByRole('heading', { name: 'Your role does not see this' })).toBeVisible();

  await change();
  await dialog.getByRole('button', { name: 'Deactivate' }).click();
  await page.getByRole('button', { name: 'Deactivate', exact: true }).last().click();
  await expect(page.getByRole('row', { name }).getByText('deactivated')).toBeVisible();
  await theirs.goto('/today');
  await expect(theirs).toHaveURL(/sign-in/);
  await signsIn(theirs, email);
  await expect(theirs.getByText('No company lets you in any more.')).toBeVisible();
  await context.close();
});

test('a second step: set up with its first code, asked for when signing in, a recovery code instead; the password changed', async ({
  page,
  browser,
}) => {
  const email = unique();
  const link = await invited(page, email, 'Two Steps', 'Office');
  const { context, page: theirs } = await newcomer(browser);
  await joins(theirs, link);
  await theirs.goto('/settings#about=you');
  await theirs.getByRole('button', { name: 'Set up an authenticator' }).click();
  await theirs.getByLabel('Your password').fill(password);
  await theirs.getByRole('button', { name: 'Go on' }).click();
  await expect(theirs.getByAltText('Code to scan')).toBeVisible();
  const secret = (await theirs.locator('.second-step-secret').innerText()).replace(/\s/g, '');
  const code = () => generateSync({ secret, epoch: Math.floor(Date.now() / 1000) });
  await theirs.getByLabel('The six digits it shows now').fill('000000');
  await theirs.getByRole('button', { name: 'That is the code' }).click();
  await expect(theirs.getByText('That is not the code your authenticator shows now.')).toBeVisible();
  await theirs.getByLabel('The six digits it shows now').fill(code());
  await theirs.getByRole('button', { name: 'That is the code' }).click();
  const codes = theirs.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem');
  await expect(codes).toHaveCount(10);
  const recovery = await codes.first().innerText();
  await theirs.getByRole('button', { name: 'I have them' }).click();
  await expect(theirs.getByText('10 recovery codes left')).toBeVisible();

  await theirs.getByRole('button', { name: 'Change your password' }).click();
  await theirs.getByLabel('Your password as it is now').fill('not this one');
  await theirs.getByLabel('New password').fill('harbor-skein-otter-9');
  await theirs.getByRole('button', { name: 'Change it' }).click();
  await expect(theirs.getByText('That is not your password as it is now.')).toBeVisible();
  await theirs.getByRole('dialog').getByRole('button', { name: 'Cancel' }).click();

  // Another address counts once its letter is opened; until then one signs in as before.
  await theirs.route('**/settings*', async (route) => {
    if (route.request().method() === 'POST') await new Promise((resolve) => setTimeout(resolve, 2000));
    return route.continue();
  });
  const wanted = unique();
  await theirs.getByRole('button', { name: 'Change your address' }).click();
  await theirs.getByLabel('New email').focus();
  await theirs.keyboard.type(wanted, { delay: 30 });
  await theirs.keyboard.press('Tab');
  await theirs.keyboard.type(password, { delay: 30 });
  await theirs.keyboard.press('Enter');
  await expect(theirs.getByText(`A letter is on its way to ${wanted}.`)).toBeVisible();
  await expect(theirs.getByText(`You sign in with ${email}`)).toBeVisible();
  await theirs.unroute('**/settings*');

  await theirs.getByRole('button', { name: 'Sign out', exact: true }).click();
  await theirs.waitForURL('**/sign-in');
  await signsIn(theirs, email);
  await theirs.getByLabel('Code').fill(recovery);
  await theirs.getByRole('button', { name: 'Sign in' }).click();
  await theirs.waitForURL('**/today');
  await theirs.goto('/settings#about=you');
  await expect(theirs.getByText('9 recovery codes left')).toBeVisible();
  await context.close();
});

test('one person in two companies: a tab of the one is not taken for the other', async ({
  page,
  browser,
}) => {
  const link = await invited(page, unique(), 'Of Two', 'Owner');
  const { context, page: one } = await newcomer(browser);
  await joins(one, link);
  await one.goto('/settings#about=data');
  await one.getByRole('link', { name: 'Set up another company' }).click();
  await one.getByLabel('Name of the company').fill('Second Yard');
  await one.getByRole('button', { name: 'Set it up' }).click();
  await one.waitForURL('**/today');
  await expect(one.getByRole('heading', { name: /Good day/ })).toBeVisible();
  await one.goto('/settings#about=company');
  await expect(one.getByLabel('Name of the company')).toHaveValue('Second Yard');

  // A second tab goes on in the first company, while this one still shows the second.
  const two = await context.newPage();
  await two.goto('/today');
  await two.getByRole('button', { name: 'Company', exact: true }).click();
  await two.getByRole('button', { name: /Quillbank/ }).click();
  await expect(two.getByRole('button', { name: 'Company', exact: true })).toHaveAttribute(
    'title',
    /Quillbank/,
  );
  await one.getByLabel('Phone').fill('(000) 555-0199');
  await one.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(one.getByText(/In another tab this browser went on/)).toBeVisible();
  await expect(one.getByLabel('Phone')).toHaveValue('(000) 555-0199');
  await one.getByRole('link', { name: 'Customers' }).click();
  await expect(one.getByRole('heading', { name: 'You went on elsewhere' })).toBeVisible();
  await one.getByRole('link', { name: /Go on as/ }).click();
  await two.goto('/settings#about=company');
  await expect(two.getByLabel('Phone')).toHaveValue('(000) 555-0164');
  await context.close();
});

test('a forgotten password: the answer is the same for whoever asks', async ({ browser }) => {
  const { context, page: theirs } = await newcomer(browser);
  await theirs.goto('/sign-in');
  await theirs.getByRole('link', { name: 'Forgot your password?' }).click();
  await expect(theirs.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await theirs.getByLabel('Email').fill(unique());
  await theirs.getByRole('button', { name: 'Send the letter' }).click();
  await expect(theirs.getByText(/a letter is on its way there/)).toBeVisible();
  await theirs.goto('/password/nothing');
  await expect(theirs.getByRole('heading', { name: 'This link is over' })).toBeVisible();
  await theirs.goto('/email/nothing');
  await expect(theirs.getByRole('heading', { name: 'This link is over' })).toBeVisible();
  await theirs.goto('/join/nothing');
  await expect(theirs.getByRole('heading', { name: 'No invitation' })).toBeVisible();
  await context.close();
});
