import { inCompany } from '@/data/connection';
import type { Transaction } from '@/data/connection';
import { putSeriesStart } from '@/data/numbers';
import { companyOf, updateCompany } from '@/data/settings/company';
import { findHighestNumber } from '@/data/billing/invoice';
import type { NumberedKind, NumberPattern, NumberPatterns } from '@/model';
import { NumbersInput, numberedKinds } from '@/model';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
import { check } from '../check';
import type { Series } from '../numbers';
import { putOver } from '../over';
import { numberToCome, seriesOf } from '../numbers';
import { Problem } from '../problem';
import { isRuledOut } from '../taken';

/** How a company numbers its papers, and the number each would get next. */
export interface Numbers {
  readonly patterns: NumberPatterns;
  readonly next: Readonly<Record<NumberedKind, number>>;
  /** The least papers can go on with, in a series by year and in one that goes on. */
  readonly least: Readonly<Record<'yearly' | 'going', Pick<Numbers['next'], 'invoice' | 'creditNote'>>>;
  /** The year of the company's day. */
  readonly year: number;
}

const names: Readonly<Record<NumberedKind, string>> = {
  proposal: 'proposal',
  agreement: 'agreement',
  invoice: 'invoice',
  creditNote: 'credit note',
};

const seriesFor = (kind: NumberedKind, patterns: NumberPatterns, year: number): Series =>
  kind === 'invoice'
    ? seriesOf('invoice', patterns.invoice, year)
    : kind === 'creditNote'
      ? seriesOf('credit note', patterns.creditNote, year)
      : kind;

async function toCome(
  tx: Transaction,
  companyId: string,
  patterns: NumberPatterns,
  year: number,
): Promise<Numbers['next']> {
  const next: Partial<Record<NumberedKind, number>> = {};
  for (const kind of numberedKinds)
    next[kind] = await numberToCome(tx, companyId, seriesFor(kind, patterns, year));
  return next as Numbers['next'];
}

/** The least each kind may go on with: what comes next in its series, and above what papers had while it was another. */
async function leastOf(
  tx: Transaction,
  patterns: NumberPatterns,
  coming: Numbers['next'],
  year: number,
): Promise<Numbers['next']> {
  const above = async (series: 'invoice' | 'credit note', { yearly }: NumberPattern) =>
    (await findHighestNumber(tx, series, yearly ? year : null)) + 1;
  return {
    ...coming,
    invoice: Math.max(coming.invoice, await above('invoice', patterns.invoice)),
    creditNote: Math.max(coming.creditNote, await above('credit note', patterns.creditNote)),
  };
}

/** All of it as things stand. */
async function numbersNow(
  tx: Transaction,
  companyId: string,
  patterns: NumberPatterns,
  year: number,
): Promise<Numbers> {
  const next = await toCome(tx, companyId, patterns, year);
  const leastWhere = async (yearly: boolean) => {
    const by: NumberPatterns = {
      invoice: { ...patterns.invoice, yearly },
      creditNote: { ...patterns.creditNote, yearly },
    };
    const { invoice, creditNote } = await leastOf(tx, by, await toCome(tx, companyId, by, year), year);
    return { invoice, creditNote };
  };
  return {
    patterns,
    next,
    least: { yearly: await leastWhere(true), going: await leastWhere(false) },
    year,
  };
}

const yearOf = (now: Date, timeZone: string) => Number(businessDate(now, timeZone).slice(0, 4));

/** How the papers of the company are numbered, and what comes next. */
export async function readNumbers(actor: Actor): Promise<Numbers> {
  allow(actor, 'settings');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const year = yearOf(actor.now, ours.timeZone);
    return numbersNow(tx, actor.companyId, ours.numbers, year);
  });
}

/**
 * Says how papers are numbered from now on, and with which number each series goes on: forward only, so that none is ever
 * printed twice. Papers that are out keep theirs. A next number that is as it was read (`over`) asks for nothing.
 * @throws Problem `number-used`, `numbers-alike`
 */
export async function saveNumbers(actor: Actor, input: unknown): Promise<Numbers> {
  allow(actor, 'settings');
  const { next, over, ...typed } = check(NumbersInput, input, 'The numbers');
  return inCompany(actor, async (tx) => {
    const ours = await companyOf(tx, actor.companyId, 'update');
    const patterns = putOver<NumberPatterns>(ours.numbers, typed.patterns, over?.patterns);
    const { invoice, creditNote } = patterns;
    if (invoice.prefix === creditNote.prefix && invoice.yearly === creditNote.yearly)
      throw new Problem(
        'numbers-alike',
        'Credit notes need a prefix of their own: else two papers get one number.',
        { errors: [{ pointer: '/patterns/creditNote/prefix', detail: 'as on invoices' }] },
      );
    const year = yearOf(actor.now, ours.timeZone);
    const before = { patterns: ours.numbers, next: await toCome(tx, actor.companyId, ours.numbers, year) };
    const coming = await toCome(tx, actor.companyId, patterns, year);
    const least = await leastOf(tx, patterns, coming, year);
    for (const kind of numberedKinds) {
      // Nobody asked for another: papers were issued while the page was open, and their series went on.
      if (over && next[kind] === over.next[kind] && next[kind] <= least[kind] && coming[kind] >= least[kind])
        continue;
      if (next[kind] < least[kind])
        throw new Problem(
          'number-used',
          `Numbers go on: the next ${names[kind]} is ${least[kind]} or more.`,
          { errors: [{ pointer: `/next/${kind}`, detail: `${least[kind]} or more` }] },
        );
      if (next[kind] > coming[kind])
        await putSeriesStart(tx, actor.companyId, seriesFor(kind, patterns, year), next[kind]);
    }
    await updateCompany(tx, actor.companyId, { numbers: patterns });
    await recordAudit(tx, actor, 'numbers changed', actor.companyId, { before, after: { patterns, next } });
    return numbersNow(tx, actor.companyId, patterns, year);
  }).catch((error: unknown) => {
    // A paper took the number in the same moment: the database looks once more.
    if (isRuledOut(error))
      throw new Problem('number-used', 'A paper took that number just now. Look at the numbers once more.');
    throw error;
  });
}
