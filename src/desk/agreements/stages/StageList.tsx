'use client';

import { CameraOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState } from 'react';
import type { StageListRow } from '@/services/agreements/stageList';
import type { StageInput } from '@/services/agreements/stages';
import { isNothing, showDecimal } from '@/core/number';
import { showShortDate } from '@/core/text/dates';
import type { Answer } from '@/model';
import type { ListProps } from '@/ui/list/ListTable';
import { ListTable } from '@/ui/list/ListTable';
import { Cell } from '@/ui/live/Cell';
import { StateMark } from '@/ui/StateMark';
import type { PhotoActions } from './StagePhotos';
import type { ReportedStage } from './useStageReports';
import { useStageReports } from './useStageReports';
import './stages.css';

const StagePhotos = dynamic(() => import('./StagePhotos').then((module) => module.StagePhotos));

/** Where what is to bill of a stage that is begun is billed: the payment that waited for it, or its work as far as it is. */
function billOf(
  row: StageListRow,
): { readonly words: string; readonly about: string; readonly address: string } | null {
  const bill = `/agreements/${row.agreementId}/bill`;
  const [entry] = row.waiting;
  if (row.state === 'done' && entry)
    return {
      words: 'Bill payment',
      about: `“${entry.name}”, ${showDecimal(entry.left)}`,
      address: `${bill}?entry=${encodeURIComponent(entry.id)}`,
    };
  if (row.state === 'not begun' || isNothing(row.left)) return null;
  const percent = row.state === 'done' ? '' : `&percent=${row.percent ?? ''}`;
  return {
    words: 'Bill work',
    about: row.state === 'done' ? 'All that is left of it' : `To ${row.percent ?? ''} %`,
    address: `${bill}?stage=${encodeURIComponent(row.stage)}${percent}`,
  };
}

/** What of the work of a stage is to bill, and where it is billed. */
function ToBill({ row }: { readonly row: StageListRow }) {
  const bill = billOf(row);
  return (
    <>
      {bill && (
        <Link className="link-in-text" href={bill.address} title={bill.about} prefetch={false}>
          {bill.words}
        </Link>
      )}{' '}
      {isNothing(row.left) ? '' : showDecimal(row.left)}
    </>
  );
}

/** The stages of all agreements on one page: how far each is, reported where it stands. */
export function StageList({
  save,
  photos,
  timeZone,
  ...props
}: ListProps<StageListRow> & {
  readonly save: (input: StageInput) => Promise<Answer<void>>;
  readonly photos: PhotoActions;
  readonly timeZone: string;
}) {
  const { report, shown } = useStageReports(save);
  const [seen, setSeen] = useState<ReportedStage | null>(null);
  const stageOf = (row: StageListRow): ReportedStage => ({ agreementId: row.agreementId, name: row.stage });
  return (
    <>
      <ListTable
        {...props}
        path="/agreements/stages"
        find="Find by stage, agreement, customer, address"
        none="No agreement has stages yet. A proposal names them under Payments, or its work by phase."
        note={
          <p className="soft list-note">
            Type how much of a stage is done, in percent: 100 is done today. What is earned follows.
          </p>
        }
        acts={(rows, done) =>
          [25, 50, 75, 100].map((percent) => (
            <Button
              key={percent}
              onClick={() => {
                for (const row of rows) report(stageOf(row), String(percent), row.percent);
                done();
              }}
            >
              {percent === 100 ? 'Done' : `${percent} %`}
            </Button>
          ))
        }
        render={{
          agreement: (row) => (
            <div className="stage-list-work">
              <Link href={`/agreements/${row.agreementId}`} prefetch={false}>
                {row.agreement}
              </Link>
            </div>
          ),
          customer: (row) => (
            <div className="stage-list-work">
              <Link className="soft-link" href={`/customers/${row.customerId}`} prefetch={false}>
                {row.customer}
              </Link>
            </div>
          ),
          planned: (row) =>
            row.planned && (
              <span className={row.late ? 'wrong' : undefined}>
                {showShortDate(row.planned)}
                {row.late && ' · late'}
              </span>
            ),
          state: (row) => <StateMark state={row.state} />,
          percent: (row) => (
            <span className="stage-percent">
              <Cell
                name="stage percent"
                label={`Percent done of ${row.stage}, ${row.agreement}`}
                align="right"
                shown={shown(stageOf(row), row.percent)}
                commit={(text) => report(stageOf(row), text, row.percent)}
              />
            </span>
          ),
          photos: (row) => (
            <Button
              type="text"
              size="small"
              icon={<CameraOutlined />}
              aria-label={`Photos of ${row.stage}, ${row.agreement}: ${row.photos}`}
              onClick={() => setSeen(stageOf(row))}
            >
              {row.photos > 0 ? row.photos : ''}
            </Button>
          ),
          left: (row) => <ToBill row={row} />,
        }}
      />
      {seen && <StagePhotos stage={seen} timeZone={timeZone} actions={photos} close={() => setSeen(null)} />}
    </>
  );
}
