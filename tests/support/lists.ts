import { agreementList } from '@/services/agreements/agreementList';
import type { Actor } from '@/services/actor';
import { invoiceList } from '@/services/billing/invoiceList';
import type { MoneyGroup } from '@/services/billing/moneySums';
import { loadMoneySums } from '@/services/billing/moneySums';
import { readList, readWholeList } from '@/services/lists/deskList';
import { messageList } from '@/services/messages/messageList';
import { paymentList } from '@/services/payments/paymentList';

/* The lists of the desk as their pages ask for them. */

const groups: readonly string[] = ['to-bill', 'held', 'credit'];

/** The money page: its sums, and what one of them is made of. */
export async function loadMoneyPage(actor: Actor, list = 'all', search = '') {
  const sums = await loadMoneySums(actor, groups.includes(list) ? (list as MoneyGroup) : null);
  const states: Readonly<Record<string, string>> = { out: 'outstanding', overdue: 'overdue' };
  const { rows: invoices } = await readWholeList(actor, invoiceList, {
    search,
    ...(states[list] ? { state: states[list], sort: 'due' } : {}),
  });
  const { rows: payments } = await readWholeList(actor, paymentList, {
    search,
    ...(list === 'received' ? { day: `${sums.month}..` } : {}),
  });
  return {
    ...sums,
    invoices: ['all', 'out', 'overdue'].includes(list) ? invoices : [],
    payments: ['all', 'received'].includes(list) ? payments : [],
  };
}

/** Agreements as their list shows them. */
export async function listAgreements(
  actor: Actor,
  { search = '', show = 'all', page = 1 }: { search?: string; show?: string; page?: number } = {},
) {
  const { rows, count } = await readList(actor, agreementList, {
    search,
    page: String(page),
    ...(show === 'all' ? {} : { show }),
  });
  return { rows, count };
}

/** The letters that went out, newest first. */
export const listMessages = async (actor: Actor) => (await readWholeList(actor, messageList, {})).rows;
