import { costTypeName } from '@/core/text/names';
import { Button, Select } from 'antd';
import type { Job } from '@/services/jobCosting/jobReport';
import { showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { JobActions } from './jobActions';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';
import { ExportLink } from '@/ui/may/ExportLink';

/** The costs of a job, oldest first: what was taken back stays, struck through. */
export function CostList({ job, actions }: { job: Job; actions: JobActions }) {
  const { submit } = useSubmit({ tells: true });
  const mayChange = ({ takesBack, takenBack }: Job['costs'][number]) =>
    job.mayRecord && !takesBack && !takenBack;
  if (job.costs.length === 0) return <p className="empty">No cost is recorded yet.</p>;
  return (
    <>
      <PlainTable
        label="Costs"
        rows={job.costs}
        rowKey={({ id }) => id}
        rowClass={(cost) => (cost.takenBack || cost.takesBack ? 'cost-void' : '')}
        columns={[
          {
            key: 'day',
            title: 'Day',
            className: 'nowrap',
            cell: ({ spentOn }) => showShortDate(spentOn),
          },
          {
            key: 'for',
            title: 'For',
            cell: (cost) => (
              <>
                {cost.what}
                <div className="soft">
                  {[
                    costTypeName(cost.costType),
                    cost.for === cost.what ? '' : cost.for,
                    cost.supplier,
                    cost.hours && `${showDecimal(cost.hours)} h × ${showDecimal(cost.rate ?? '')}`,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </div>
              </>
            ),
          },
          {
            key: 'invoice',
            title: 'Invoice',
            cell: (cost) =>
              mayChange(cost) && job.choices.invoices.length > 0 ? (
                <Select
                  size="small"
                  className="cost-invoice"
                  aria-label={`Invoice of ${cost.what}`}
                  value={cost.invoiceId ?? ''}
                  onChange={(invoiceId) =>
                    void submit(() => actions.attach({ costId: cost.id, invoiceId: invoiceId || null }))
                  }
                  options={[
                    { value: '', label: 'none' },
                    ...job.choices.invoices.map(({ id, number }) => ({ value: id, label: number })),
                  ]}
                />
              ) : (
                cost.invoice
              ),
          },
          { key: 'amount', title: 'Amount', figure: true, cell: ({ amount }) => showDecimal(amount) },
          {
            key: 'act',
            title: '',
            className: 'nowrap',
            cell: (cost) =>
              mayChange(cost) && (
                <Button
                  type="link"
                  size="small"
                  aria-label={`Void: ${cost.what}`}
                  onClick={() =>
                    void submit(() =>
                      actions.takeBack({ costId: cost.id, idempotencyKey: crypto.randomUUID() }),
                    )
                  }
                >
                  Void
                </Button>
              ),
          },
        ]}
      />
      <p>
        <ExportLink href={`/api/v1/agreements/${job.id}/job.csv?list=costs`}>The costs as CSV</ExportLink>
      </p>
    </>
  );
}
