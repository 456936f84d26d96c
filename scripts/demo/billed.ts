import { permissionKeys } from '@/model';
import { startChangeOrder } from '@/services/proposals/changeOrder';
import { creditInvoice, issueInvoice, saveDraft } from '@/services/billing/issue';
import { readAgreement } from '@/services/agreements/read';
import { saveStage } from '@/services/agreements/stages';
import { businessDate } from '@/services/actor';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { recordPayment } from '@/services/payments/payments';
import { readProposal } from '@/services/proposals/read';
import { saveProposal } from '@/services/proposals/save';
import { omissionLine } from '@/core/agreements';
import { parseFixed } from '@/core/number';
import type { BillingAsk, Line } from '@/model';
import type { Going } from './changing';

/**
 * An agreement in the middle of its money: the deposit paid ahead, tenths held back, invoices by lines, by a stage and by
 * an amount, more work and less work by change orders, part of an invoice taken back, and the next one in draft.
 */
export async function billOn(
  going: Going,
  agreementId: string,
  person: number,
  signerName: string,
  blinds: readonly Line[],
): Promise<void> {
  const { seller, ago, timeZone } = going;
  const at = (days: number) => ({ ...seller, now: ago(days) });
  // The owner bills; the seller may not take back or record payments.
  const office = (days: number) => ({ ...at(days), permissions: permissionKeys });
  const bill = (what: BillingAsk, days: number, title?: string) =>
    issueInvoice(office(days), { agreementId, what, ...(title ? { title } : {}) });
  const paid = async (invoiceId: string, days: number, key: string) => {
    const { open } = await readInvoice(office(days), invoiceId);
    await recordPayment(office(days), {
      agreementId,
      method: 'transfer',
      amount: open,
      receivedOn: businessDate(ago(days), timeZone),
      reference: '',
      idempotencyKey: `demo-billed-${key}`,
    });
  };
  const done = (name: string, days: number) =>
    saveStage(at(days), { agreementId, name, doneOn: businessDate(ago(days), timeZone) });
  const change = async (
    what: string,
    days: number,
    lines: (proposalId: string) => Promise<readonly Line[]>,
  ) => {
    const { id } = await startChangeOrder(at(days), { agreementId });
    const { saveNumber, document } = await readProposal(at(days), id);
    await saveProposal(at(days), {
      proposalId: id,
      saveNumber,
      patches: [
        { op: 'replace', path: '/title', value: `Change order ${document.change!.number}: ${what}` },
        { op: 'replace', path: '/sections/0/entries', value: await lines(id) },
      ],
    });
    const token = await going.send(seller, id, ago(days, 12), person);
    await going.accept(token, ago(days - 1), signerName, `billed-${document.change!.number}`);
  };

  const { invoices } = await readAgreement(office(66), agreementId);
  await paid(invoices[0]!.id, 64, 'deposit');
  await saveStage(at(63), { agreementId, name: 'Roof tight', plannedOn: businessDate(ago(20), timeZone) });
  await saveStage(at(63), { agreementId, name: 'Completion', plannedOn: businessDate(ago(-18), timeZone) });
  await done('Frame stands', 50);
  const first = await bill(
    { lines: [{ stage: 'Frame stands', to: { percent: '100' } }] },
    50,
    'Frame stands',
  );
  await paid(first.id, 41, 'frame');
  await change('blinds for the south side', 38, async () => blinds);
  const second = await bill(
    {
      lines: [
        { stage: 'Roof tight', to: { percent: '60' } },
        { section: 'Changes', to: { percent: '50' } },
      ],
    },
    30,
    'Shell and glass, first part',
  );
  const glass = (await readInvoice(office(28), second.id)).back!.lines.at(-1)!;
  await creditInvoice(office(28), {
    invoiceId: second.id,
    what: { lines: [{ line: glass.id, amount: glass.net }] },
    remark: 'Delivered with a scratch; it comes again next week.',
  });
  await paid(second.id, 18, 'shell');
  await change('one socket less', 16, async (id) => {
    const { agreed } = (await readProposal(at(16), id)).change!;
    const line = agreed.find(({ unit, quantity }) => unit === 'each' && Number(quantity) >= 2)!;
    return [omissionLine(line, parseFixed('1'), 'demo-less')];
  });
  await bill({ amount: '2500' }, 6, 'On account of the roofing');
  await done('Roof tight', 2);
  await saveDraft(office(1), {
    agreementId,
    what: { lines: [{ stage: 'Roof tight', to: { percent: '100' } }] },
    title: 'Roof tight',
    shows: { unbilled: 'hidden', bundles: 'agreed' },
    remark: '',
  });
}
