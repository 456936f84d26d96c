import canonicalize from 'canonicalize';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { companyOf, countBegun, updateCompany } from '@/data/settings/company';
import type { company } from '@/data/schema';
import { usualNumbers } from '@/model';
import type { Actor } from '../actor';
import { allow, may, recordAudit } from '../actor';
import { carrierOf } from '../carrier';
import { check } from '../check';
import { plainTerms } from './plainTerms';

/** What has begun in a company: how many there are of each. */
export type Begun = Awaited<ReturnType<typeof countBegun>>;

interface Step {
  readonly key: string;
  readonly title: string;
  readonly says: string;
  readonly address: string;
  /** What is said when it is put aside. */
  readonly aside: string;
  readonly isDone: (row: typeof company.$inferSelect, begun: Begun) => boolean;
}

const same = (one: unknown, other: unknown) => canonicalize(one) === canonicalize(other);

/** What makes a company ready for its first proposal, in the order one would do it. */
const steps: readonly Step[] = [
  {
    key: 'company',
    title: 'Your company on its papers',
    says: 'Address, phone, license: customers read them on every proposal and invoice',
    address: '/settings#about=company',
    aside: 'Later',
    isDone: ({ address, phone, email }) => [address.street, address.city, phone, email].every(Boolean),
  },
  {
    key: 'taxes',
    title: 'Taxes',
    says: 'Which taxes you charge, by their parts; none is charged now',
    address: '/settings#about=taxes',
    aside: 'We charge none',
    isDone: ({ usual }) => usual.taxClasses.some(({ components }) => components.length > 0),
  },
  {
    key: 'markups',
    title: 'Markups',
    says: 'From cost to price; now 10 % overhead, then 20 % profit',
    address: '/settings#about=pricing',
    aside: 'These are right',
    isDone: ({ usual }) => !same(usual.loads, plainTerms.loads),
  },
  {
    key: 'schedule',
    title: 'How customers pay',
    says: 'Deposit and stages; now 10 % on signing, the rest on completion',
    address: '/settings#about=invoices',
    aside: 'This is right',
    isDone: ({ usual, money }) => !same(usual.schedule, plainTerms.schedule) || money.presets.length > 0,
  },
  {
    key: 'terms',
    title: 'Terms',
    says: 'What every proposal of yours says at its end',
    address: '/settings#about=proposals',
    aside: 'We have none',
    isDone: ({ usual }) => Boolean(usual.terms?.trim()),
  },
  {
    key: 'numbers',
    title: 'Numbers',
    says: 'Your invoices and proposals go on from where they are; now from 2026-001 and 101',
    address: '/settings#about=numbers',
    aside: 'Begin from there',
    isDone: (row, { numbersSaid }) => numbersSaid || !same(row.numbers, usualNumbers),
  },
  {
    key: 'library',
    title: 'Your library',
    says: 'What you sell and what it costs you: bring a list, take the starting library, or begin with nothing',
    address: '/library/start',
    aside: 'Begin with nothing',
    isDone: (_, { items }) => items > 0,
  },
  {
    key: 'people',
    title: 'Your people',
    says: 'Whoever sells, bills or builds with you',
    address: '/settings#about=people',
    aside: 'It is only me',
    isDone: (_, { people }) => people > 1,
  },
  {
    key: 'letters',
    title: 'Letters',
    says: 'No mail server is connected: customers get nothing by mail, you hand them the link',
    address: '/settings#about=connections',
    aside: 'I hand over links',
    isDone: (row) => carrierOf(row) !== null,
  },
  {
    key: 'proposal',
    title: 'Your first proposal',
    says: 'A customer, a few lines, a price',
    address: '/proposals/new',
    aside: 'Later',
    isDone: (_, { proposals }) => proposals > 0,
  },
];

export const stepKeys = steps.map(({ key }) => key);

/** A step of setting up as Today shows it. */
export interface ChecklistStep {
  readonly key: string;
  readonly title: string;
  readonly says: string;
  readonly address: string;
  readonly aside: string;
  readonly state: 'done' | 'aside' | 'to do';
}

/** What is left of setting up, for who may change settings; empty when nothing is, and for a demo. */
export async function readChecklist(actor: Actor): Promise<readonly ChecklistStep[]> {
  if (!may(actor, 'settings')) return [];
  return inCompany(actor, async (tx) => {
    const row = await companyOf(tx, actor.companyId);
    const begun = await countBegun(tx);
    const all = steps.map(({ isDone, ...step }): ChecklistStep => ({
      ...step,
      state: isDone(row, begun) ? 'done' : row.setUpAside.includes(step.key) ? 'aside' : 'to do',
    }));
    return row.demo || all.every(({ state }) => state !== 'to do') ? [] : all;
  });
}

const Input = Type.Object(
  { key: Type.String({ enum: stepKeys }), aside: Type.Boolean() },
  { additionalProperties: false },
);

/** Puts a step of setting up aside, or takes it up again. */
export async function putStepAside(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'settings');
  const { key, aside } = check(Input, input, 'The step');
  await inCompany(actor, async (tx) => {
    const { setUpAside } = await companyOf(tx, actor.companyId, 'update');
    const others = setUpAside.filter((each) => each !== key);
    await updateCompany(tx, actor.companyId, { setUpAside: aside ? [...others, key] : others });
    await recordAudit(tx, actor, aside ? 'step put aside' : 'step taken up', actor.companyId, { key });
  });
}
