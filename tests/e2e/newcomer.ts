import type { Browser, Page } from '@playwright/test';
import { choose, expect } from './desk';

/** The password of everybody who is invited here. */
export const password = 'walnut-harbor-skein';
/** An address nobody has. */
export const unique = () => `${Date.now()}-${Math.floor(Math.random() * 1e6)}@newcomer.example`;

/** Invites somebody with a role; the link that is shown once it is sent. */
export async function invited(page: Page, email: string, name: string, role: string): Promise<string> {
  await page.goto('/settings#about=people');
  await page.getByRole('button', { name: 'Invite somebody' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Email').focus();
  await page.keyboard.type(email, { delay: 10 });
  await dialog.getByLabel('Name', { exact: true }).fill(name);
  await choose(dialog.getByLabel('Role'), role);
  await dialog.getByRole('button', { name: 'Send the invitation' }).click();
  const link = dialog.getByLabel('Link of the invitation');
  await expect(link).toBeVisible();
  const address = await link.inputValue();
  await dialog.getByRole('button', { name: 'Done' }).click();
  return address;
}

/** Somebody with a browser of their own. */
export async function newcomer(browser: Browser) {
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } });
  return { context, page: await context.newPage() };
}

/** Follows an invitation. */
export async function joins(page: Page, link: string): Promise<void> {
  await page.goto(link);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: /^Join / }).click();
  await page.waitForURL('**/today');
}
