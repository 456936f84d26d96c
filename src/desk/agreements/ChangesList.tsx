'use client';

import { Button } from 'antd';
import Link from 'next/link';
import type { AgreementAtDesk } from '@/services/agreements/read';
import { showDecimal } from '@/core/number';
import type { Answer } from '@/model';
import { StateMark } from '@/ui/StateMark';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

/** The change orders of an agreement: what was signed first, what each changes, and the sum to date. */
export function ChangesList({
  agreement,
  start,
}: {
  agreement: AgreementAtDesk;
  start: (input: { agreementId: string }) => Promise<Answer<{ id: string }>>;
}) {
  const { busy, submit } = useSubmit({ tells: true });
  const begin = () =>
    submit(() => start({ agreementId: agreement.id }), { to: ({ id }) => `/proposals/${id}` });
  return (
    <>
      <div className="choices-head">
        <h2>Change orders</h2>
        {agreement.maySell && (
          <Button size="small" loading={busy} onClick={begin}>
            Write a change order
          </Button>
        )}
      </div>
      {agreement.changes.length === 0 ? (
        <p className="soft">Extra or omitted work, priced like a proposal and signed by the customer.</p>
      ) : (
        <PlainTable
          label="Change orders"
          headless
          rows={[null, ...agreement.changes]}
          rowKey={(change) => change?.id ?? 'signed first'}
          columns={[
            {
              key: 'title',
              title: 'Change order',
              cell: (change) =>
                change === null ? (
                  'Signed first'
                ) : (
                  <Link href={`/proposals/${change.id}`} prefetch={false}>
                    {change.title}
                  </Link>
                ),
            },
            {
              key: 'state',
              title: 'State',
              cell: (change) => change !== null && <StateMark state={change.state} />,
            },
            {
              key: 'total',
              title: 'Amount',
              figure: true,
              cell: (change) => (
                <span className={change === null || change.state === 'accepted' ? '' : 'soft'}>
                  {showDecimal(change?.total ?? agreement.total)}
                </span>
              ),
            },
          ]}
          foot={[{ title: 'Contract sum to date', total: showDecimal(agreement.sumToDate) }]}
        />
      )}
    </>
  );
}
