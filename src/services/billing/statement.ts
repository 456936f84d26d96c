import { inCompany } from '@/data/connection';
import type { BillingPaper, LoadedAgreement, WorkFigures } from '@/core/billing';
import { statementOf } from '@/core/billing';
import { moneyOf, parseAmount } from '@/core/number';
import type { StatementPaper } from '@/formats/statementPaper';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { agreementOfInvoice, loadAgreement } from '@/data/agreements/load';
import { Problem } from '../problem';
import { asOf, paperOf } from './paper';
import { workColumns } from './paperLayout';

/** The progress statement of a paper of a loaded agreement: every agreed line with what is billed of it, as it stood then. */
export function progressStatementOf(loaded: LoadedAgreement, row: BillingPaper): StatementPaper {
  const then = asOf(loaded, row.issuedAt, row.position);
  const statement = statementOf(then.ledger, row, parseAmount(loaded.head.total, loaded.digits));
  const money = moneyOf(loaded.digits);
  const written = (figures: WorkFigures) => workColumns(figures, loaded.digits);
  const changeOf = new Map(then.changes.map(({ id, number }) => [id, number]));
  const { lines, net, tax, gross, ...sums } = statement;
  return {
    ...paperOf(loaded, row),
    rows: lines.map((columns, i) => {
      const line = then.lines[i]!;
      return {
        id: line.id,
        section: line.sectionTitle,
        change: changeOf.get(line.changeOrderId ?? '') ?? null,
        description: line.description,
        ...written(columns),
      };
    }),
    sums: { net: written(net), tax: written(tax), gross: written(gross) },
    application: {
      original: money.write(sums.original),
      changes: money.write(sums.changes),
      sumToDate: money.write(sums.sumToDate),
      completed: money.write(sums.completed),
      held: money.write(sums.held),
      earned: money.write(sums.earned),
      ahead: money.write(sums.ahead),
      billedBefore: money.write(sums.billedBefore),
      due: money.write(sums.due),
      toFinish: money.write(sums.toFinish),
    },
    retainagePercent: loaded.head.billing.retainage?.percent ?? null,
  };
}

/**
 * The progress statement of an invoice: every agreed line with what is billed of it, as it stood with that invoice.
 * @throws Problem `no-such-progress-statement`
 */
export async function readProgressStatement(actor: Actor, invoiceId: string): Promise<StatementPaper> {
  allow(actor, 'prices');
  return inCompany(actor, async (tx) => {
    const loaded = await loadAgreement(tx, await agreementOfInvoice(tx, invoiceId));
    const row = loaded.ofAgreement.find(({ id }) => id === invoiceId);
    if (!row)
      throw new Problem('no-such-progress-statement', 'A charge for late payment has no progress statement.');
    return progressStatementOf(loaded, row);
  });
}
