import type { JobList } from '@/formats/csv/jobCsv';
import { jobCsv } from '@/formats/csv/jobCsv';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { readJob } from './jobReport';

/** One list of a job as CSV. For us alone. */
export async function jobListCsv(actor: Actor, agreementId: string, list: JobList): Promise<string> {
  allow(actor, 'export');
  const job = await readJob(actor, agreementId);
  const rows = {
    stages: [...job.stages, { ...job.total, name: 'All' }],
    codes: job.byCode,
    types: job.byType,
    lines: job.byLine,
    costs: job.costs,
    cash: job.cash.days,
    allowances: job.allowances?.each ?? [],
  }[list];
  return jobCsv(list, rows);
}
