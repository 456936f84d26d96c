'use client';

import { Button } from 'antd';
import { isNarrowed, writeListState } from '@/core/lists';
import type { MoneyReportAtDesk } from '@/services/reports/moneyReport';
import { ListFilters } from '@/ui/list/ListFilters';
import { useListAddress } from '@/ui/list/useListAddress';
import '@/ui/list/list.css';
import { MoneyReportChart } from './MoneyReportChart';
import { MoneyReportTable } from './MoneyReportTable';
import { periodsNear } from './periods';

/** A report on money: narrowed, drawn, in a table with its sums, and as files. */
export function MoneyReportView({ report }: { readonly report: MoneyReportAtDesk }) {
  const { id, title, note, spec, state, rows, currency, today, agreements } = report;
  const { asked, waiting, go } = useListAddress(spec, state, `/reports/${id}`);
  const [days = ''] = asked.filters.days ?? [];
  const file = (format: 'csv' | 'xlsx') => {
    const parameters = writeListState(spec, state);
    parameters.set('show', id);
    parameters.set('format', format);
    return `/api/v1/reports/money?${parameters}`;
  };
  if (agreements === 0)
    return <p className="empty">Nothing is signed yet. This report fills from the first signature on.</p>;
  return (
    <>
      <div className="list-head report-filters">
        <ListFilters spec={spec} state={asked} go={go} />
        <span className="report-near">
          {periodsNear(today).map(({ name, from, to }) => (
            <Button
              key={name}
              size="small"
              type={days === `${from}..${to}` ? 'default' : 'text'}
              aria-pressed={days === `${from}..${to}`}
              onClick={() => {
                const { days: _, ...others } = asked.filters;
                go({
                  filters: days === `${from}..${to}` ? others : { ...others, days: [`${from}..${to}`] },
                });
              }}
            >
              {name}
            </Button>
          ))}
        </span>
        {isNarrowed(asked) && (
          <Button size="small" type="link" onClick={() => go({ filters: {} })}>
            Show all
          </Button>
        )}
      </div>
      {rows.length === 0 ? (
        <p className="empty" aria-busy={waiting}>
          {isNarrowed(state) ? 'Nothing fits what is picked.' : 'There is nothing of this.'}
        </p>
      ) : (
        <div aria-busy={waiting} className={waiting ? 'report-waits' : ''}>
          <MoneyReportChart report={report} />
          <p className="report-note">
            <span className="soft">In {currency}. </span>
            <a className="link-in-text" download href={file('csv')}>
              As CSV
            </a>{' '}
            <a className="link-in-text" download href={file('xlsx')}>
              As XLSX
            </a>
          </p>
          <MoneyReportTable report={report} title={title} sort={asked.sort} go={go} />
          <p className="soft report-note">{note}</p>
        </div>
      )}
    </>
  );
}
