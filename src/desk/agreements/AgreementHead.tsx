import { Button } from 'antd';
import Link from 'next/link';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isNothing } from '@/core/number';
import { LinkButton } from '@/ui/LinkButton';
import { May } from '@/ui/may/May';

/** The page a payment of the schedule is billed on. */
export const billEntry = (agreementId: string, entryId: string): string =>
  `/agreements/${agreementId}/bill?entry=${encodeURIComponent(entryId)}`;

/** Whose agreement it is, and what is likely to be done next: bill by the schedule where that was done so far, else work. */
export function AgreementHead({
  agreement,
  pay,
}: {
  readonly agreement: AgreementAtDesk;
  readonly pay: () => void;
}) {
  const { id, customer, draft } = agreement;
  const next = agreement.payments.find(({ toBill }) => toBill);
  // Billed by its schedule so far, it is likely to go on so.
  const bySchedule =
    next !== undefined &&
    !draft &&
    agreement.invoices.every(({ byEntry, kind }) => byEntry || kind === 'credit note');
  const done = isNothing(agreement.standing.leftToBill);
  return (
    <header className="page-head">
      <h1>{agreement.title}</h1>
      <span className="soft">
        Agreement {agreement.number} ·{' '}
        <Link href={`/customers/${customer.id}`} prefetch={false}>
          {customer.name}
        </Link>{' '}
        · {agreement.site}
      </span>
      <span className="page-actions">
        <May any={['cost']}>
          <LinkButton href={`/agreements/${id}/job-costing`}>Job costing</LinkButton>
        </May>
        {agreement.mayRecord && <Button onClick={pay}>Record payment</Button>}
        {!done && (
          <LinkButton href={`/agreements/${id}/bill`} primary={!bySchedule}>
            {draft ? 'Go on with the draft invoice' : 'Bill work done'}
          </LinkButton>
        )}
        {!done && next && bySchedule && (
          <LinkButton href={billEntry(id, next.id)} primary>
            {`Bill “${next.name}”`}
          </LinkButton>
        )}
      </span>
    </header>
  );
}
