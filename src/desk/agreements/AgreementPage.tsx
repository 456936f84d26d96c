'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { Fragment, useState } from 'react';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { isBelowZero, isNothing, showDecimal, withoutSign } from '@/core/number';
import type { Answer } from '@/model';
import { showShortDate } from '@/core/text/dates';
import { showInstant } from '@/ui/instants';
import { LinkButton } from '@/ui/LinkButton';
import { Track } from '@/ui/Track';
import { Figure } from '../Figure';
import { InvoiceState } from '../billing/InvoiceState';
import type { AllowanceActions } from './AllowancesView';
import { AllowancesView } from './AllowancesView';
import { ChangesList } from './ChangesList';
import type { StageActions } from './StagesView';
import { StagesView } from './StagesView';
import { useFreshAgreement } from './useFreshAgreement';
import type { MoneyInActions } from '../payments/moneyInActions';
import { MoneyIn } from '../payments/MoneyIn';
import type { RecordPayment } from '../payments/PaymentDialog';
import { PaymentDialog } from '../payments/PaymentDialog';
import { PlainTable } from '@/ui/tables/PlainTable';
import { AgreedLines } from './AgreedLines';

export interface AgreementActions {
  readonly startChange: (input: { agreementId: string }) => Promise<Answer<{ id: string }>>;
  readonly allowances: AllowanceActions;
  readonly stages: StageActions;
  readonly moneyIn: MoneyInActions;
  readonly record: RecordPayment;
}

/** An agreement: its track, its payments and invoices, its lines, and who signed what. */
export function AgreementPage({
  agreement,
  mark,
  timeZone,
  actions,
}: {
  agreement: AgreementAtDesk;
  /** What it looked like when it was read. */
  mark: string;
  timeZone: string;
  actions: AgreementActions;
}) {
  const [paying, setPaying] = useState(false);
  useFreshAgreement(agreement.id, mark);
  const { standing } = agreement;
  const next = agreement.payments.find(({ left }) => !isNothing(left));
  // Billed by its schedule so far, it is likely to go on so.
  const bySchedule =
    next !== undefined &&
    !agreement.draft &&
    agreement.invoices.every(({ byEntry, kind }) => byEntry || kind === 'credit note');
  const covered = new Set(
    agreement.track
      .filter(({ amount, billed }) => amount === billed && !isNothing(amount))
      .map(({ id }) => id),
  );
  const bill = `/agreements/${agreement.id}/bill`;
  const done = isNothing(standing.leftToBill);
  const late = agreement.invoices.some(({ overdue }) => overdue);
  return (
    <div className="page">
      <header className="page-head">
        <h1>{agreement.title}</h1>
        <span className="soft">
          Agreement {agreement.number} ·{' '}
          <Link href={`/customers/${agreement.customer.id}`} prefetch={false}>
            {agreement.customer.name}
          </Link>{' '}
          · {agreement.site}
        </span>
        <span className="page-actions">
          <LinkButton href={`/agreements/${agreement.id}/job-costing`}>Job costing</LinkButton>
          {agreement.mayRecord && <Button onClick={() => setPaying(true)}>Record payment</Button>}
          {!done && (
            <LinkButton href={bill} primary={!bySchedule}>
              {agreement.draft ? 'Go on with the draft invoice' : 'Bill work done'}
            </LinkButton>
          )}
          {!done && next && bySchedule && (
            <LinkButton href={`${bill}?entry=${encodeURIComponent(next.id)}`} primary>
              {`Bill “${next.name}”`}
            </LinkButton>
          )}
        </span>
      </header>
      <Track parts={agreement.track} height={26} named />
      <div className="figures above-more" data-testid="standing">
        <Figure name="Contract sum" value={standing.sumToDate} />
        {!isNothing(agreement.earned) && <Figure name="Earned (line)" value={agreement.earned} />}
        <Figure name="Billed (hatched)" value={standing.billed} />
        <Figure name="Paid (solid)" value={standing.paid} />
        <Figure name="Billed, not paid" value={standing.billedUnpaid} wrong={late} />
        <Figure name="Left to bill" value={standing.leftToBill} />
        {!isNothing(agreement.held) && <Figure name="Retainage held" value={agreement.held} />}
        {!isNothing(agreement.ahead) && <Figure name="Deposit not applied yet" value={agreement.ahead} />}
        {!isNothing(agreement.credit) &&
          (isBelowZero(agreement.credit) ? (
            <Figure name="Owed beside invoices" value={withoutSign(agreement.credit)} wrong />
          ) : (
            <Figure name="Customer credit" value={agreement.credit} />
          ))}
      </div>

      <div className="columns-2">
        <div>
          <h2>Invoices</h2>
          {agreement.invoices.length === 0 ? (
            <p className="empty">Nothing is billed yet.</p>
          ) : (
            <PlainTable
              label="Invoices"
              rows={agreement.invoices}
              rowKey={({ id }) => id}
              columns={[
                {
                  key: 'number',
                  title: 'No.',
                  className: 'nowrap',
                  cell: (invoice) => (
                    <Link href={`/money/${invoice.id}`} prefetch={false}>
                      {invoice.number}
                    </Link>
                  ),
                },
                { key: 'title', title: 'For', cell: ({ title }) => title },
                {
                  key: 'issued',
                  title: 'Issued',
                  className: 'nowrap',
                  cell: ({ issuedOn }) => showShortDate(issuedOn),
                },
                {
                  key: 'due',
                  title: 'Due',
                  className: 'nowrap',
                  cell: ({ kind, dueOn }) => (kind === 'credit note' ? '' : showShortDate(dueOn)),
                },
                { key: 'state', title: 'State', cell: (invoice) => <InvoiceState invoice={invoice} /> },
                { key: 'total', title: 'Total', figure: true, cell: ({ total }) => showDecimal(total) },
                {
                  key: 'open',
                  title: 'Open',
                  figure: true,
                  cell: ({ open }) => (isNothing(open) ? '' : showDecimal(open)),
                },
                {
                  key: 'papers',
                  title: 'Papers',
                  className: 'nowrap',
                  cell: ({ id }) => (
                    <>
                      <a href={`/api/v1/invoices/${id}/invoice.pdf`}>PDF</a> ·{' '}
                      <a href={`/api/v1/invoices/${id}/invoice.xml`}>UBL</a>
                    </>
                  ),
                },
              ]}
            />
          )}
          <MoneyIn agreement={agreement} actions={actions.moneyIn} />
          <ChangesList agreement={agreement} start={actions.startChange} />
          {agreement.allowances && (
            <AllowancesView
              agreementId={agreement.id}
              allowances={agreement.allowances}
              maySell={agreement.maySell}
              actions={actions.allowances}
            />
          )}
          <h2>Lines</h2>
          <AgreedLines agreement={agreement} />
        </div>
        <aside>
          <div className="panel">
            <h2>Payments agreed</h2>
            <dl className="pairs">
              {agreement.payments.map((payment) => (
                <Fragment key={payment.id}>
                  <dt>
                    {payment.name}
                    <div className="soft">
                      {payment.invoice && `invoice ${payment.invoice.number}`}
                      {payment.invoice &&
                        !isNothing(payment.left) &&
                        `, ${showDecimal(payment.left)} left · `}
                      {!payment.invoice && covered.has(payment.id) && 'billed by other invoices'}
                      {!done && !isNothing(payment.left) && !covered.has(payment.id) && (
                        <Link href={`${bill}?entry=${encodeURIComponent(payment.id)}`} prefetch={false}>
                          Bill “{payment.name}”
                        </Link>
                      )}
                    </div>
                  </dt>
                  <dd>{showDecimal(payment.amount)}</dd>
                </Fragment>
              ))}
              <dt className="sum">Contract sum</dt>
              <dd className="sum">{showDecimal(agreement.sumToDate)}</dd>
            </dl>
          </div>
          <StagesView agreement={agreement} actions={actions.stages} />
          <div className="panel above">
            <h2>Signed</h2>
            <p className="above-least">
              {agreement.signerName}, {showInstant(agreement.acceptedAt, timeZone)}
            </p>
            {agreement.signature.kind === 'drawn' && (
              <svg
                viewBox={`0 0 ${agreement.signature.width} ${agreement.signature.height}`}
                style={{ width: '100%', height: 80 }}
                role="img"
                aria-label={`Signature of ${agreement.signerName}`}
              >
                <path
                  d={agreement.signature.path}
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="2"
                  strokeLinecap="round"
                />
              </svg>
            )}
            <p className="soft">{agreement.consent}</p>
            {agreement.signature.kind === 'told' && (
              <p>
                Said yes {agreement.signature.how} on {showShortDate(agreement.signature.on)}
                {agreement.signature.words && `: ${agreement.signature.words}`}
              </p>
            )}
            <p className="seal">SHA-256 {agreement.revisionSha256}</p>
            <p>
              <Link href={`/agreements/${agreement.id}/certificate`} prefetch={false}>
                Everything that was signed, and its proof
              </Link>
            </p>
            <Link href={`/proposals/${agreement.proposalId}`} prefetch={false}>
              The proposal
            </Link>
          </div>
        </aside>
      </div>
      {paying && (
        <PaymentDialog
          on={{ ...agreement, agreementId: agreement.id }}
          record={actions.record}
          close={() => setPaying(false)}
        />
      )}
    </div>
  );
}
