import type { BillDue } from '@/services/billing/billsDue';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';

/** An invoice as it would come out: the work by section, then tax, deposit and retainage down to what is asked for. */
export function BillDuePreview({
  bill: { preview },
  currency,
}: {
  readonly bill: BillDue;
  readonly currency: string;
}) {
  const { sections, tax, advance, retainage, total } = preview;
  const sums = [
    { name: 'Tax', amount: tax },
    { name: isBelowZero(advance) ? 'Deposit applied' : 'Deposit', amount: advance },
    { name: isBelowZero(retainage) ? 'Retainage held' : 'Retainage released', amount: retainage },
  ].filter(({ amount }) => !isNothing(amount));
  return (
    <dl className="pairs bill-preview">
      {sections.map(({ name, net }) => [
        <dt key={`${name} name`}>{name}</dt>,
        <dd key={name}>{showDecimal(net)}</dd>,
      ])}
      {sums.map(({ name, amount }) => [
        <dt key={`${name} name`} className="soft">
          {name}
        </dt>,
        <dd key={name}>{showDecimal(amount)}</dd>,
      ])}
      <dt>
        <strong>To pay</strong>
      </dt>
      <dd>
        <strong>
          {showDecimal(total)} {currency}
        </strong>
      </dd>
    </dl>
  );
}
