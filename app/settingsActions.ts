'use server';

import { endToken, giveToken } from '@/services/access/tokens';
import { cookies } from 'next/headers';
import { forgetCustomer } from '@/services/customers/forget';
import { takeStartingLibrary } from '@/services/library/starting/take';
import { sendFailedLettersAgain, sendLetterAgain } from '@/services/messages/sendAgain';
import { putStepAside } from '@/services/settings/checklist';
import { saveCompany } from '@/services/settings/company';
import { sendTrialLetter } from '@/services/settings/connections';
import { saveCostCodes } from '@/services/settings/costCodes';
import { saveOwnUnits } from '@/services/settings/ownUnits';
import { saveNumbers } from '@/services/settings/numbers';
import { removeDemo } from '@/services/settings/removeDemo';
import {
  addWebhook,
  endWebhook,
  readWebhookNews,
  sendNewsAgain,
  tryWebhook,
} from '@/services/webhooks/webhooks';
import { answer } from '@/services/problem';
import { actionActor, sessionCookie } from './session';

/* Doors to the settings of the company. */

export const saveCompanyAction = async (input: unknown) =>
  answer(async () => saveCompany(await actionActor(), input));

export const forgetCustomerAction = async (id: string, name: string) =>
  answer(async () => forgetCustomer(await actionActor(), id, name));

export const saveOwnUnitsAction = async (input: unknown) =>
  answer(async () => saveOwnUnits(await actionActor(), input));

export const saveCostCodesAction = async (input: unknown) =>
  answer(async () => saveCostCodes(await actionActor(), input));

export const saveNumbersAction = async (input: unknown) =>
  answer(async () => saveNumbers(await actionActor(), input));

export const putStepAsideAction = async (input: unknown) =>
  answer(async () => putStepAside(await actionActor(), input));

export const takeStartingLibraryAction = async (input: unknown) =>
  answer(async () => takeStartingLibrary(await actionActor(), input));

export const sendTrialLetterAction = async () => answer(async () => sendTrialLetter(await actionActor()));

export const sendLetterAgainAction = async (id: unknown) =>
  answer(async () => sendLetterAgain(await actionActor(), id));

export const sendFailedLettersAgainAction = async () =>
  answer(async () => sendFailedLettersAgain(await actionActor()));

export async function removeDemoAction(name: unknown) {
  const given = await answer(async () => removeDemo(await actionActor(), name));
  if (given.ok) (await cookies()).delete(sessionCookie);
  return given;
}

export const giveTokenAction = async (input: unknown) =>
  answer(async () => giveToken(await actionActor(), input));

export const addWebhookAction = async (input: unknown) =>
  answer(async () => addWebhook(await actionActor(), input));

export const endWebhookAction = async (id: unknown) =>
  answer(async () => endWebhook(await actionActor(), id));

export const readWebhookNewsAction = async (id: unknown) =>
  answer(async () => readWebhookNews(await actionActor(), id));

export const tryWebhookAction = async (id: unknown) =>
  answer(async () => tryWebhook(await actionActor(), id));

export const sendNewsAgainAction = async (id: unknown) =>
  answer(async () => sendNewsAgain(await actionActor(), id));

export const endTokenAction = async (id: unknown) => answer(async () => endToken(await actionActor(), id));
