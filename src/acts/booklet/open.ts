import { desc, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { beforeCompany, inCompany } from '@/data/connection';
import { agreement, customer, decline, link, proposal, revision, site, user } from '@/data/schema';
import { writeAmount } from '@/core/number';
import { customerView, offerOf } from '@/core/offer';
import type { Choices, CustomerOffer, CustomerView, ProposalDocument } from '@/model';
import { businessDate } from '../actor';
import { loadAgreement } from '../agreements/money';
import { moneyOf } from '../agreements/read';
import { companyOf } from '../company';
import { noteTry, refuseAfter } from '../limit';
import { Problem } from '../problem';
import { choicesOf } from './choices';
import { stateToday } from '../proposals/state';
import { tokenHash } from '../secrets';

/** The holder of a private link: whose booklet, and when. */
export interface Visitor {
  readonly companyId: string;
  readonly proposalId: string;
  readonly linkId: string;
  readonly userId: null;
  readonly now: Date;
}

const WRONG_LINKS = 30;

/**
 * Who holds this link. Unknown, revoked and outlived links get the same answer, and whoever tries many from one address
 * has to wait.
 */
export async function visitorOf(token: string, from: string, now: Date): Promise<Visitor> {
  const bucket = `link:${from.slice(0, 60)}`;
  await refuseAfter(bucket, WRONG_LINKS, now);
  const found =
    /^[A-Za-z0-9_-]{43}$/.test(token) &&
    (await beforeCompany(
      async (tx) =>
        (
          await tx
            .select()
            .from(link)
            .where(eq(link.tokenHash, tokenHash(token)))
        )[0],
    ));
  if (!found || found.revokedAt || found.expiresAt <= now) {
    await noteTry(bucket, now);
    throw new Problem(
      410,
      'This link does not lead anywhere any more. Ask the people who sent it for a new one.',
    );
  }
  return { companyId: found.companyId, proposalId: found.proposalId, linkId: found.id, userId: null, now };
}

/** The newest revision of the visitor's proposal, with its document and the state the proposal is in today. */
export async function currentRevision(tx: Transaction, visitor: Visitor, { lock = false } = {}) {
  const query = tx.select().from(proposal).where(eq(proposal.id, visitor.proposalId));
  const [row] = lock ? await query.for('update') : await query;
  const [newest] = await tx
    .select()
    .from(revision)
    .where(eq(revision.proposalId, visitor.proposalId))
    .orderBy(desc(revision.number))
    .limit(1);
  if (!row || !newest) throw new Problem(410, 'There is nothing to read here yet.');
  const ours = await companyOf(tx, visitor.companyId);
  const today = businessDate(visitor.now, ours.timeZone);
  const document = JSON.parse(newest.canonical) as ProposalDocument;
  return {
    proposal: row,
    revision: newest,
    document,
    ours,
    today,
    state: stateToday(row.state, document.validUntil, today),
  };
}

/** Everything the booklet shows. Built from the customer view and facts that are the customer's own. */
export interface Booklet {
  readonly company: {
    readonly name: string;
    readonly phone: string;
    readonly email: string;
    readonly town: string;
  };
  readonly seller: string;
  readonly customer: string;
  readonly site: string;
  readonly state: 'open' | 'accepted' | 'declined' | 'lapsed' | 'withdrawn';
  readonly revision: { readonly id: string; readonly number: number; readonly sentAt: string };
  readonly choices: Choices;
  /** The count of changes the choices are of. */
  readonly chosen: number;
  readonly view: CustomerView;
  /** What the figures are worked out from in the browser; null where nothing is to be chosen, or only the server can. */
  readonly offer: CustomerOffer | null;
  readonly today: string;
  readonly agreement: {
    readonly acceptedOn: string;
    readonly signerName: string;
    readonly sha256: string;
    readonly standing: ReturnType<typeof moneyOf>['standing'];
    readonly track: ReturnType<typeof moneyOf>['track'];
    readonly invoices: readonly {
      readonly id: string;
      readonly number: number;
      readonly title: string;
      readonly total: string;
      readonly open: string;
      readonly dueOn: string;
    }[];
    /** A deposit that is not paid yet. */
    readonly depositDue: string | null;
  } | null;
  readonly declinedBecause: string | null;
}

/** The booklet behind a private link; notes that it was opened. */
export async function openBooklet(visitor: Visitor): Promise<Booklet> {
  return inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor);
    const [known] = await tx.select().from(link).where(eq(link.id, visitor.linkId));
    await tx
      .update(link)
      .set({ lastOpenedAt: visitor.now, firstOpenedAt: known?.firstOpenedAt ?? visitor.now })
      .where(eq(link.id, visitor.linkId));
    return readBooklet(tx, current);
  });
}

type Current = Awaited<ReturnType<typeof currentRevision>>;
/** What a booklet is built from: a revision, or (in the preview) the document as it stands. */
export type Readable = Pick<Current, 'proposal' | 'document' | 'ours' | 'state' | 'today'> & {
  readonly revision: Pick<Current['revision'], 'id' | 'number' | 'sentAt'>;
};

/** The booklet of a loaded revision. */
export async function readBooklet(tx: Transaction, current: Readable): Promise<Booklet> {
  const { proposal: row, revision: newest, document, ours, state, today } = current;
  const [payer] = await tx.select().from(customer).where(eq(customer.id, row.customerId));
  const [place] = await tx.select().from(site).where(eq(site.id, row.siteId));
  const [seller] = await tx.select({ name: user.name }).from(user).where(eq(user.id, row.sellerId));
  const [signed] = await tx.select().from(agreement).where(eq(agreement.proposalId, row.id));
  const [declined] = await tx.select().from(decline).where(eq(decline.revisionId, newest.id));
  const chosen = await choicesOf(tx, newest.id, document);
  const choices = signed ? signed.choices : chosen.choices;
  const frozen =
    signed && signed.revisionId !== newest.id ? await documentOf(tx, signed.revisionId) : document;
  const open = state === 'draft' || state === 'sent';
  const offer = open ? offerOf(frozen) : null;
  return {
    company: { name: ours.name, phone: ours.phone, email: ours.email, town: ours.address.city },
    seller: seller?.name ?? ours.name,
    customer: payer!.name,
    site: `${place!.address.street}, ${place!.address.city}`,
    state: open ? 'open' : state,
    revision: { id: newest.id, number: newest.number, sentAt: newest.sentAt.toISOString() },
    choices,
    chosen: chosen.number,
    view: customerView(frozen, choices, today),
    offer: offer?.live ? offer : null,
    today,
    agreement: signed ? await agreementForCustomer(tx, signed.id, ours.timeZone) : null,
    declinedBecause: state === 'declined' ? (declined?.reason ?? null) : null,
  };
}

async function documentOf(tx: Transaction, revisionId: string): Promise<ProposalDocument> {
  const [row] = await tx.select().from(revision).where(eq(revision.id, revisionId));
  return JSON.parse(row!.canonical) as ProposalDocument;
}

async function agreementForCustomer(
  tx: Transaction,
  agreementId: string,
  timeZone: string,
): Promise<Booklet['agreement']> {
  const loaded = await loadAgreement(tx, agreementId);
  const { standing, track } = moneyOf(loaded);
  const deposits = loaded.payments.filter(({ kind, due }) => kind === 'deposit' && due.on === 'acceptance');
  const openDeposit = deposits.find(({ entryId }) => {
    const billed = loaded.invoices.find((each) => each.entryId === entryId);
    return !billed || billed.paid < billed.amount;
  });
  const billedDeposit = openDeposit && loaded.invoices.find((each) => each.entryId === openDeposit.entryId);
  return {
    acceptedOn: businessDate(loaded.head.acceptedAt, timeZone),
    signerName: loaded.head.signerName,
    sha256: loaded.head.revisionSha256,
    standing,
    track,
    invoices: loaded.invoices.map((each) => ({
      id: each.id,
      number: each.number,
      title: each.title,
      total: each.total,
      open: writeAmount((each.amount - each.paid) as never, loaded.digits),
      dueOn: each.dueOn,
    })),
    depositDue: openDeposit
      ? writeAmount(
          (billedDeposit ? billedDeposit.amount - billedDeposit.paid : openDeposit.amount) as never,
          loaded.digits,
        )
      : null,
  };
}
