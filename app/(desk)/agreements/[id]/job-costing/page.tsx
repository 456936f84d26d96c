import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readJob } from '@/services/jobCosting/jobReport';
import { Problem } from '@/services/problem';
import { JobPage } from '@/desk/jobCosting/JobPage';
import '@/desk/jobCosting/jobCosting.css';
import { isId } from '@/model';
import {
  attachCostAction,
  recordCostAction,
  saveToComeAction,
  takeCostBackAction,
} from '../../../../moneyActions';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'Job costing' };

export default async function JobRoute({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('cost');
  if (!isId(id)) notFound();
  const job = await readJob(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <JobPage
      job={job}
      actions={{
        record: recordCostAction,
        takeBack: takeCostBackAction,
        attach: attachCostAction,
        saveToCome: saveToComeAction,
      }}
    />
  );
}
