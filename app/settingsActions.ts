'use server';

import { cookies } from 'next/headers';
import { takeStartingLibrary } from '@/services/library/starting/take';
import { putStepAside } from '@/services/settings/checklist';
import { saveCompany } from '@/services/settings/company';
import { removeDemo } from '@/services/settings/removeDemo';
import { answer } from '@/services/problem';
import { actionActor, sessionCookie } from './session';

/* Doors to the settings of the company. */

export const saveCompanyAction = async (input: unknown) =>
  answer(async () => saveCompany(await actionActor(), input));

export const putStepAsideAction = async (input: unknown) =>
  answer(async () => putStepAside(await actionActor(), input));

export const takeStartingLibraryAction = async (input: unknown) =>
  answer(async () => takeStartingLibrary(await actionActor(), input));

export async function removeDemoAction(name: unknown) {
  const given = await answer(async () => removeDemo(await actionActor(), name));
  if (given.ok) (await cookies()).delete(sessionCookie);
  return given;
}
