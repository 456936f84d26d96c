import { contractOf } from '@/core/billing';
import type { Transaction } from '@/data/connection';
import { findLink } from '@/data/before';
import { inCompany } from '@/data/connection';
import type { Change } from '@/core/offer';
import { lastDayToCancel } from '@/core/schedule';
import { changesRead, customerView, offerOf } from '@/core/offer';
import type { Choices, Contract, CustomerOffer, CustomerView, LostPick, ProposalDocument } from '@/model';
import { asSuggested, isId } from '@/model';
import { businessDate } from '../actor';
import type { AllowanceTaxes } from '@/data/agreements/allowances';
import { loadAgreement } from '@/data/agreements/load';
import { companyOf } from '@/data/settings/company';
import { noteTry, refuseAfter } from '../limit';
import { Problem } from '../problem';
import type { Kept } from '@/data/proposals/choices';
import { choicesOf, keptOn } from '@/data/proposals/choices';
import { stateToday } from '@/core/offer/stateToday';
import type { AgreedShown } from './agreed';
import { agreementForCustomer } from './agreed';
import type { Asked } from '@/data/proposals/questions';
import { questionsAsked } from '@/data/proposals/questions';
import { sha256, tokenHash } from '../secrets';
import { findChangeOfVisitor, lockProposalById, proposalById } from '@/data/proposals/proposal';
import { findNewestRevision, findRevisionBefore, revisionById } from '@/data/proposals/revision';
import { linkById, updateLink } from '@/data/proposals/link';
import { customerById } from '@/data/customers/customer';
import { siteById } from '@/data/customers/site';
import { findNameOfPerson } from '@/data/accounts/user';
import { agreementByProposalId } from '@/data/agreements/agreement';
import { declineByRevisionId } from '@/data/proposals/decline';
import { changeOrderByProposalId } from '@/data/agreements/changeOrder';
import { findSigningOfChange } from '@/data/agreements/signing';

/** The holder of a private link: whose booklet, and when. */
export interface Visitor {
  readonly companyId: string;
  readonly proposalId: string;
  readonly linkId: string;
  readonly userId: null;
  /** The network address they come from. */
  readonly from: string;
  readonly now: Date;
}

const WRONG_LINKS = 30;

/**
 * Who holds this link: its token, and behind a tilde a change order to the agreement it leads to. Unknown, revoked and
 * outlived links get the same answer, and whoever tries many from one address has to wait.
 * @throws Problem `link-gone`
 */
export async function visitorOf(address: string, from: string, now: Date): Promise<Visitor> {
  const [token = '', change] = address.split('~');
  const bucket = `link:${from.slice(0, 60)}`;
  const found = /^[A-Za-z0-9_-]{43}$/.test(token) && (await findLink(tokenHash(token)));
  if (!found || found.revoked || found.expiresAt <= now) {
    // Only who is wrong has to wait: a good link works, whoever else tries from the same address.
    await refuseAfter(bucket, WRONG_LINKS, now);
    await noteTry(bucket, now);
    throw new Problem(
      'link-gone',
      'This link does not lead anywhere any more. Ask the people who sent it for a new one.',
    );
  }
  const visitor = {
    companyId: found.companyId,
    proposalId: found.proposalId,
    linkId: found.id,
    userId: null,
    from: from.slice(0, 60),
    now,
  };
  return change === undefined
    ? visitor
    : { ...visitor, proposalId: await changeBehind(visitor, change, bucket) };
}

/**
 * A change order that was sent, to the agreement the link leads to.
 * @throws Problem `change-order-gone`
 */
async function changeBehind(visitor: Visitor, id: string, bucket: string): Promise<string> {
  const found = isId(id)
    ? await inCompany(visitor.companyId, async (tx) => {
        const [row] = await findChangeOfVisitor(tx, id, visitor.proposalId);
        return row && row.sent !== null ? row.id : null;
      })
    : null;
  if (found !== null) return found;
  await noteTry(bucket, visitor.now);
  throw new Problem('change-order-gone', 'There is no such change order.');
}

/**
 * The newest revision of the visitor's proposal, with its document and the state the proposal is in today.
 * @throws Problem `nothing-sent`, `seal-broken`
 */
export async function currentRevision(
  tx: Transaction,
  visitor: Pick<Visitor, 'companyId' | 'proposalId' | 'now'>,
  { lock = false } = {},
) {
  const [row] = await (lock ? lockProposalById : proposalById)(tx, visitor.proposalId);
  const [newest] = await findNewestRevision(tx, visitor.proposalId);
  if (!row || !newest) throw new Problem('nothing-sent', 'There is nothing to read here yet.');
  if (sha256(newest.canonical) !== newest.sha256)
    throw new Problem(
      'seal-broken',
      'What is stored here is not what was sent: its seal does not fit any more. Nothing can be read or signed until this is cleared up.',
    );
  const ours = await companyOf(tx, visitor.companyId);
  const today = businessDate(visitor.now, ours.timeZone);
  const document = JSON.parse(newest.canonical) as ProposalDocument;
  return {
    proposal: row,
    revision: newest,
    document,
    ours,
    today,
    now: visitor.now,
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
    /** A kept picture; null: the name stands alone. */
    readonly logo: string | null;
    /** Of titles and buttons, as #rrggbb. */
    readonly color: string | null;
  };
  readonly seller: string;
  readonly customer: string;
  readonly site: string;
  /** Revising: it was reopened at the desk; a new revision is on its way. */
  readonly state: 'open' | 'revising' | 'accepted' | 'declined' | 'lapsed' | 'withdrawn';
  /** Without an identity where it is shown before it is sent. */
  readonly revision: { readonly id: string | null; readonly number: number; readonly sentAt: string };
  readonly choices: Choices;
  /** The count of changes the choices are of. */
  readonly chosen: number;
  readonly view: CustomerView;
  /** What the figures are worked out from in the browser; null where nothing is to be chosen, or only the server can. */
  readonly offer: CustomerOffer | null;
  readonly today: string;
  readonly agreement: AgreedShown | null;
  /** For what selections add to the price. */
  readonly taxes: AllowanceTaxes;
  /** Of a change order: the agreement it is seen against, as it was when it was signed. */
  readonly contract: Contract | null;
  /** Of a signed change order. */
  readonly signed: { readonly on: string; readonly by: string; readonly sha256: string } | null;
  readonly declinedBecause: string | null;
  /** What is different from the revision before; empty where it is the first, or reads the same. */
  readonly changesSince: readonly Change[];
  /** What was chosen on the revision before is kept here, but for what is lost; null where nothing was. */
  readonly kept: { readonly lost: readonly LostPick[] } | null;
  /** Signed today, the last day to cancel; null where that right is not given, or nothing is to be signed. */
  readonly cancelUntil: string | null;
  /** What the customer asked, and our answers. */
  readonly questions: readonly Asked[];
}

/** A booklet of what was sent. */
export type SentBooklet = Booklet & { readonly revision: { readonly id: string } };

/** The booklet behind a private link; notes that it was opened. */
export async function openBooklet(visitor: Visitor): Promise<SentBooklet> {
  return inCompany(visitor.companyId, async (tx) => {
    const current = await currentRevision(tx, visitor);
    const [known] = await linkById(tx, visitor.linkId);
    await updateLink(tx, visitor.linkId, {
      lastOpenedAt: visitor.now,
      firstOpenedAt: known?.firstOpenedAt ?? visitor.now,
    });
    const booklet = await readBooklet(tx, current);
    return { ...booklet, revision: { ...booklet.revision, id: current.revision.id } };
  });
}

type Current = Awaited<ReturnType<typeof currentRevision>>;
/** What a booklet is built from: a revision, or (in the preview, without an identity) the document as it stands. */
export type Readable = Pick<Current, 'proposal' | 'document' | 'ours' | 'state' | 'today' | 'now'> & {
  readonly revision: Pick<Current['revision'], 'number' | 'sentAt'> & { readonly id: string | null };
};

/** The booklet of a loaded revision. */
export async function readBooklet(tx: Transaction, current: Readable): Promise<Booklet> {
  const { proposal: row, revision: newest, document, ours, state, today, now } = current;
  const [payer] = await customerById(tx, row.customerId);
  const [place] = await siteById(tx, row.siteId);
  const [seller] = await findNameOfPerson(tx, row.sellerId);
  const [signed] = await agreementByProposalId(tx, row.id);
  const change = row.agreementId ? await changeSeen(tx, row.id, row.agreementId, ours.timeZone) : null;
  const [declined] = newest.id === null ? [] : await declineByRevisionId(tx, newest.id);
  const seen = { id: newest.id, proposalId: row.id, number: newest.number };
  const chosen = await choicesOf(tx, seen, document);
  const kept = await keptOn(tx, seen, document);
  const choices = signed?.choices ?? change?.choices ?? chosen.choices;
  const frozen =
    signed && signed.revisionId !== newest.id ? await documentOf(tx, signed.revisionId) : document;
  const revising = row.state === 'draft' && row.sentSaveNumber !== null && newest.id !== null;
  const open = (state === 'draft' && !revising) || state === 'sent';
  const offer = open ? offerOf(frozen) : null;
  return {
    company: {
      name: ours.name,
      phone: ours.phone,
      email: ours.email,
      town: ours.address.city,
      logo: ours.logo,
      color: ours.color,
    },
    seller: seller?.name ?? ours.name,
    customer: payer!.name,
    site: `${place!.address.street}, ${place!.address.city}`,
    state: open ? 'open' : revising ? 'revising' : (state as Exclude<typeof state, 'draft' | 'sent'>),
    revision: { id: newest.id, number: newest.number, sentAt: newest.sentAt.toISOString() },
    choices,
    chosen: chosen.number,
    view: customerView(frozen, choices, today),
    offer: offer?.live ? offer : null,
    today,
    agreement: signed ? await agreementForCustomer(tx, signed.id, ours, today, now) : null,
    taxes: { taxClasses: frozen.taxClasses, tax: frozen.tax ?? null },
    contract: change?.contract ?? null,
    signed: change?.signed ?? null,
    changesSince: open ? await changesSince(tx, row.id, newest.number, frozen, kept) : [],
    // Told until something is chosen on this one.
    kept: open && kept && chosen.number === 0 ? { lost: kept.lost } : null,
    cancelUntil: open && ours.money.coolingOff && !row.agreementId ? lastDayToCancel(today) : null,
    questions: await questionsAsked(tx, row.id, ours.timeZone),
    declinedBecause: state === 'declined' ? (declined?.reason ?? null) : null,
  };
}

/** What the customer reads differently from the revision before, both with what they had chosen by then. */
async function changesSince(
  tx: Transaction,
  proposalId: string,
  number: number,
  document: ProposalDocument,
  kept: Kept | null,
): Promise<readonly Change[]> {
  const [last] = await findRevisionBefore(tx, proposalId, number);
  if (!last) return [];
  const before = JSON.parse(last.canonical) as ProposalDocument;
  const had = (await choicesOf(tx, last, before)).choices;
  return changesRead({ document: before, choices: had }, { document, choices: kept?.choices ?? asSuggested });
}

/** A change order beside its agreement: as it is now, or as it was when this was signed. */
async function changeSeen(tx: Transaction, proposalId: string, agreementId: string, timeZone: string) {
  const [done] = await changeOrderByProposalId(tx, proposalId);
  if (!done)
    return { contract: contractOf(await loadAgreement(tx, agreementId)), signed: null, choices: null };
  const [paper] = await findSigningOfChange(tx, done.id);
  const { shown } = JSON.parse(paper!.statement) as { shown: { contract: Contract } };
  return {
    contract: shown.contract,
    choices: done.choices,
    signed: {
      on: businessDate(done.acceptedAt, timeZone),
      by: paper!.signerName,
      sha256: paper!.sha256,
    },
  };
}

async function documentOf(tx: Transaction, revisionId: string): Promise<ProposalDocument> {
  const [row] = await revisionById(tx, revisionId);
  return JSON.parse(row!.canonical) as ProposalDocument;
}
