import { Input } from 'antd';
import type { InvoiceAtDesk } from '@/services/billing/invoiceAtDesk';
import type { paperSums } from '@/core/billing';
import { moneyOf, showDecimal } from '@/core/number';
import { PlainTable } from '@/ui/tables/PlainTable';

/** The lines of an invoice, each with what of it is credited. */
export function CreditLines({
  lines,
  typed,
  type,
}: {
  readonly lines: NonNullable<InvoiceAtDesk['back']>['lines'];
  readonly typed: Readonly<Record<string, string>>;
  readonly type: (lines: Readonly<Record<string, string>>) => void;
}) {
  return (
    <div className="scrolls-down">
      <PlainTable
        label="Lines to credit"
        rows={lines}
        rowKey={({ id }) => id}
        columns={[
          {
            key: 'work',
            title: 'Work',
            cell: ({ description, section }) => (
              <>
                {description} <span className="soft">{section}</span>
              </>
            ),
          },
          { key: 'billed', title: 'Billed, net', figure: true, cell: ({ net }) => showDecimal(net) },
          {
            key: 'credit',
            title: 'Credit',
            figure: true,
            cell: ({ id, description }) => (
              <Input
                size="small"
                className="credit-amount"
                aria-label={`Credit of ${description}`}
                value={typed[id] ?? ''}
                onChange={({ target }) => type({ ...typed, [id]: target.value })}
              />
            ),
          },
        ]}
      />
    </div>
  );
}

/** What the credit note comes to. */
export function CreditSums({
  sums: { workGross, retainage, advance, total },
  digits,
}: {
  readonly sums: ReturnType<typeof paperSums>;
  readonly digits: number;
}) {
  const money = moneyOf(digits);
  return (
    <dl className="pairs" data-testid="credit-sums">
      <dt>Work credited, including tax</dt>
      <dd>{money.show(workGross)}</dd>
      {retainage !== 0n && (
        <>
          <dt>Retainage in it</dt>
          <dd>{money.show(retainage)}</dd>
        </>
      )}
      {advance !== 0n && (
        <>
          <dt>Deposit</dt>
          <dd>{money.show(advance)}</dd>
        </>
      )}
      <dt className="sum">Credit note</dt>
      <dd className="sum">
        <strong>{money.show(total)}</strong>
      </dd>
    </dl>
  );
}
