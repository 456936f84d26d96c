'use client';

import { Radio } from 'antd';
import Link from 'next/link';
import { Fragment, useState } from 'react';
import type { Job } from '@/services/jobCosting/jobReport';
import { isBelowZero, isNothing, showDecimal, withoutSign } from '@/core/number';
import { Figure } from '../Figure';
import { CashByDay } from './CashByDay';
import { CostForm } from './CostForm';
import { CostList } from './CostList';
import { CostTable } from './CostTable';
import type { JobActions } from './jobActions';
import { StageTable } from './StageTable';
import { ExportLink } from '@/ui/may/ExportLink';

const views = [
  ['stages', 'Stage'],
  ['codes', 'Cost code'],
  ['types', 'Cost type'],
  ['lines', 'Line'],
] as const;

/** Looks back on a job: budget against cost, what is earned and billed, cash by the facts, and the costs themselves. */
export function JobPage({ job, actions }: { job: Job; actions: JobActions }) {
  const [view, setView] = useState<(typeof views)[number][0]>('stages');
  const { total } = job;
  const behind = isBelowZero(total.overBilled);
  return (
    <div className="page">
      <header className="page-head">
        <h1>Job costing</h1>
        <span className="soft">
          Agreement {job.number} ·{' '}
          <Link href={`/agreements/${job.id}`} prefetch={false}>
            {job.title}
          </Link>{' '}
          · before tax
        </span>
      </header>
      <div className="figures" data-testid="job">
        <Figure name="Agreed" value={total.agreed} />
        <Figure name="Budget" value={total.budget} />
        <Figure name="Cost so far" value={total.cost} />
        <Figure name="Still to come" value={total.toCome} />
        <Figure
          name={isBelowZero(total.over) ? 'Under budget' : 'Over budget'}
          value={withoutSign(total.over)}
          wrong={!isBelowZero(total.over) && !isNothing(total.over)}
        />
        <Figure
          name="Profit, as it will be"
          value={total.expectedProfit}
          wrong={isBelowZero(total.expectedProfit)}
        />
        <Figure
          name={behind ? 'Underbilled' : 'Overbilled'}
          value={withoutSign(total.overBilled)}
          wrong={behind}
        />
      </div>
      <div className="job-views">
        <Radio.Group
          aria-label="Budget and cost by"
          optionType="button"
          value={view}
          onChange={({ target }) => setView(target.value as typeof view)}
          options={views.map(([value, label]) => ({ value, label }))}
        />
        <ExportLink href={`/api/v1/agreements/${job.id}/job.csv?list=${view}`}>As CSV</ExportLink>
      </div>
      {view === 'stages' ? (
        <StageTable job={job} save={actions.saveToCome} />
      ) : (
        <CostTable
          head={views.find(([name]) => name === view)![1]}
          rows={{ codes: job.byCode, types: job.byType, lines: job.byLine }[view]}
          total={total}
        />
      )}
      <div className="columns-2 job-below">
        <div>
          <h2>Costs</h2>
          {job.mayRecord && <CostForm job={job} record={actions.record} />}
          <CostList job={job} actions={actions} />
        </div>
        <aside>
          <CashByDay job={job} />
          {job.allowances && (
            <div className="panel">
              <h2>Allowances</h2>
              <dl className="pairs">
                {job.allowances.each.map(({ lineId, description, left, settledBy }) => (
                  <Fragment key={lineId}>
                    <dt>{description}</dt>
                    <dd className={isBelowZero(left) ? 'wrong' : ''}>
                      {settledBy !== null
                        ? 'settled'
                        : `${showDecimal(withoutSign(left))} ${isBelowZero(left) ? 'over' : 'left'}`}
                    </dd>
                  </Fragment>
                ))}
              </dl>
              <ExportLink href={`/api/v1/agreements/${job.id}/job.csv?list=allowances`}>As CSV</ExportLink>
            </div>
          )}
        </aside>
      </div>
    </div>
  );
}
