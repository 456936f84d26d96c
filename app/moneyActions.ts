'use server';

import { issueMany } from '@/services/billing/billsDue';
import { headers } from 'next/headers';
import { attachCost, recordCost, saveToCome, takeCostBack } from '@/services/jobCosting/record';
import { saveAccounts } from '@/services/settings/settings';
import { makeBatch, previewBatch } from '@/services/billing/batches';
import type { PlayInput } from '@/services/payments/cards';
import { playCardService } from '@/services/payments/cards';
import { mailInvoice } from '@/services/billing/invoiceLetter';
import { chargeLate, waiveLate } from '@/services/billing/late';
import { sendReminders } from '@/services/billing/reminders';
import { reversePayment } from '@/services/payments/reversal';
import { answer } from '@/services/problem';
import { actionActor } from './session';

/* The desk's doors to money and cost. Each says who is asking and hands over to one act, which checks the rest. */

export const playCardServiceAction = async (input: PlayInput) =>
  answer(async () => {
    const actor = await actionActor();
    const home = (await headers()).get('host') ?? 'localhost';
    await playCardService(actor, input, `http://${home}/api/v1/companies/${actor.companyId}/card-news`);
  });

export const previewBatchAction = async (input: unknown) =>
  answer(async () => previewBatch(await actionActor(), input));

export const makeBatchAction = async (input: unknown) =>
  answer(async () => makeBatch(await actionActor(), input));

export const saveAccountsAction = async (input: unknown) =>
  answer(async () => saveAccounts(await actionActor(), input));

export const recordCostAction = async (input: unknown) =>
  answer(async () => recordCost(await actionActor(), input));

export const takeCostBackAction = async (input: unknown) =>
  answer(async () => takeCostBack(await actionActor(), input));

export const attachCostAction = async (input: unknown) =>
  answer(async () => attachCost(await actionActor(), input));

export const saveToComeAction = async (input: unknown) =>
  answer(async () => saveToCome(await actionActor(), input));

export const issueManyAction = async (input: unknown) =>
  answer(async () => issueMany(await actionActor(), input));

export const sendRemindersAction = async (input: unknown) =>
  answer(async () => sendReminders(await actionActor(), input));

export const mailInvoiceAction = async (input: unknown) =>
  answer(async () => mailInvoice(await actionActor(), input));

export const chargeLateAction = async (input: unknown) =>
  answer(async () => chargeLate(await actionActor(), input));

export const waiveLateAction = async (input: unknown) =>
  answer(async () => waiveLate(await actionActor(), input));

export const reversePaymentAction = async (input: unknown) =>
  answer(async () => reversePayment(await actionActor(), input));
