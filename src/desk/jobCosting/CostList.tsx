import { costTypeName } from '@/core/text/names';
import { App, Select } from 'antd';
import { useRouter } from 'next/navigation';
import type { Job } from '@/services/jobCosting/jobReport';
import { showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { JobActions } from './jobActions';
import { asked } from '@/ui/asked';

/** The costs of a job, oldest first: what was taken back stays, struck through. */
export function CostList({ job, actions }: { job: Job; actions: JobActions }) {
  const { message } = App.useApp();
  const router = useRouter();
  const done = (answer: { ok: boolean; problem?: { detail: string } }) => {
    if (answer.ok) router.refresh();
    else void message.error(answer.problem?.detail);
  };
  if (job.costs.length === 0) return <p className="empty">No cost is recorded yet.</p>;
  return (
    <>
      <table className="table-plain" aria-label="Costs">
        <thead>
          <tr>
            <th>Day</th>
            <th>For</th>
            <th>Invoice</th>
            <th className="amount">Amount</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {job.costs.map((cost) => (
            <tr key={cost.id} className={cost.takenBack || cost.takesBack ? 'cost-void' : ''}>
              <td className="nowrap">{showShortDate(cost.spentOn)}</td>
              <td>
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
              </td>
              <td>
                {job.mayRecord && !cost.takesBack && !cost.takenBack && job.choices.invoices.length > 0 ? (
                  <Select
                    size="small"
                    aria-label={`Invoice of ${cost.what}`}
                    style={{ width: 104 }}
                    value={cost.invoiceId ?? ''}
                    onChange={(invoiceId) =>
                      void asked(actions.attach({ costId: cost.id, invoiceId: invoiceId || null })).then(done)
                    }
                    options={[
                      { value: '', label: 'none' },
                      ...job.choices.invoices.map(({ id, number }) => ({ value: id, label: number })),
                    ]}
                  />
                ) : (
                  cost.invoice
                )}
              </td>
              <td className="amount">{showDecimal(cost.amount)}</td>
              <td className="nowrap">
                {job.mayRecord && !cost.takesBack && !cost.takenBack && (
                  <button
                    type="button"
                    className="text-act"
                    aria-label={`Void: ${cost.what}`}
                    onClick={() =>
                      void asked(
                        actions.takeBack({ costId: cost.id, idempotencyKey: crypto.randomUUID() }),
                      ).then(done)
                    }
                  >
                    Void
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        <a className="link-in-text" download href={`/api/v1/agreements/${job.id}/job.csv?list=costs`}>
          The costs as CSV
        </a>
      </p>
    </>
  );
}
