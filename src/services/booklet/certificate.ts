import Type from 'typebox';
import type { Transaction } from '@/data/connection';
import { companyOfSigning } from '@/data/before';
import { inCompany } from '@/data/connection';
import type { signing } from '@/data/schema';
import type { KeptSignature } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check, checkId } from '../check';
import { takeTry } from '../limit';
import type { Means } from '../links';
import { noSuch, Problem } from '../problem';
import { sha256 } from '../secrets';
import type { Visitor } from './open';
import { findTextOfChange, findAgreementOfChange } from '@/data/agreements/changeOrder';
import { findTextOfAgreement, agreementById, agreementByProposalId } from '@/data/agreements/agreement';
import { selectionById } from '@/data/agreements/selection';
import { findSignings, findStatement, signingBySha256 } from '@/data/agreements/signing';
import { findNameOfCompany } from '@/data/settings/company';

/** One signature as its certificate shows it. Nothing in it is internal. */
export interface Certificate {
  readonly kind: 'proposal' | 'change order' | 'selections';
  readonly title: string;
  readonly currency: string;
  readonly total: string;
  readonly signer: string;
  readonly signature: KeptSignature;
  readonly signedAt: string;
  readonly browser: string;
  readonly from: string;
  /** Who of the company recorded it on the customer's behalf. */
  readonly recordedBy: string | null;
  /** How the signer came by the link they signed under; null: recorded by us, or signed before this was kept. */
  readonly means: Means | null;
  readonly consent: string;
  readonly choices: readonly string[];
  /** The SHA-256 of the statement that was signed. */
  readonly sha256: string;
  /** The SHA-256 of the frozen document behind it. */
  readonly documentSha256: string;
  /** What is stored is still what was signed: the statement and the document have the hashes they had. */
  readonly intact: boolean;
}

interface Statement {
  readonly kind: Certificate['kind'];
  readonly agreement: number;
  readonly company: string;
  readonly customer: string;
  readonly documentSha256: string;
  readonly consent: string;
  readonly signer: string;
  readonly signature: KeptSignature;
  readonly signedAt: string;
  readonly browser: string;
  readonly from: string;
  readonly recordedBy: string | null;
  readonly means?: Means | null;
  readonly choices: readonly string[];
  readonly shown: { readonly title: string; readonly currency: string; readonly total: string };
}

type Row = typeof signing.$inferSelect;

/** The frozen document behind a signature. */
async function documentBehind(tx: Transaction, row: Row) {
  const [found] =
    row.kind === 'change order'
      ? await findTextOfChange(tx, row.subject)
      : await findTextOfAgreement(tx, row.agreementId);
  return found!;
}

async function certify(tx: Transaction, row: Row): Promise<Certificate> {
  const statement = JSON.parse(row.statement) as Statement;
  const document = await documentBehind(tx, row);
  const hash = sha256(document.canonical);
  const intact =
    sha256(row.statement) === row.sha256 &&
    hash === document.sha256 &&
    hash === statement.documentSha256 &&
    statement.signer === row.signerName &&
    (row.kind !== 'selections' || (await roundIntact(tx, row, statement)));
  return {
    kind: row.kind,
    title: statement.shown.title,
    currency: statement.shown.currency,
    total: statement.shown.total,
    signer: statement.signer,
    signature: statement.signature,
    signedAt: statement.signedAt,
    browser: statement.browser,
    from: statement.from,
    recordedBy: statement.recordedBy,
    means: statement.means ?? null,
    consent: statement.consent,
    choices: statement.choices,
    sha256: row.sha256,
    documentSha256: statement.documentSha256,
    intact,
  };
}

/** What is stored of a round still comes to what was signed. */
async function roundIntact(tx: Transaction, row: Row, statement: Statement): Promise<boolean> {
  const [found] = await selectionById(tx, row.subject);
  return found !== undefined && Number(found.chosen) === Number(statement.shown.total);
}

async function certificatesOf(tx: Transaction, agreementId: string): Promise<Certificate[]> {
  const rows = await findSignings(tx, agreementId);
  const all: Certificate[] = [];
  for (const row of rows) all.push(await certify(tx, row));
  return all;
}

/**
 * Every signature on an agreement, for the desk.
 * @throws Problem `no-such-agreement`
 */
export async function readCertificates(actor: Actor, id: unknown) {
  allow(actor, 'prices');
  const agreementId = checkId(id, 'agreement');
  return inCompany(actor, async (tx) => {
    const [head] = await agreementById(tx, agreementId);
    if (!head) throw noSuch('agreement');
    return { number: head.number, title: head.title, certificates: await certificatesOf(tx, agreementId) };
  });
}

/**
 * The agreement a private link leads to; of a change order's link, the agreement it changes.
 * @throws Problem `no-such-certificate`
 */
async function agreementBehind(tx: Transaction, visitor: Visitor) {
  const [own] = await agreementByProposalId(tx, visitor.proposalId);
  if (own) return own;
  const [changed] = await findAgreementOfChange(tx, visitor.proposalId);
  if (!changed) throw new Problem('no-such-certificate', 'Nothing is signed here yet.');
  return changed.agreement;
}

/** Every signature on the agreement of a private link. */
export async function visitorCertificates(visitor: Visitor) {
  return inCompany(visitor.companyId, async (tx) => {
    const head = await agreementBehind(tx, visitor);
    return { number: head.number, title: head.title, certificates: await certificatesOf(tx, head.id) };
  });
}

/**
 * A statement that was signed on an agreement, by its hash.
 * @throws Problem `no-such-certificate`
 */
async function statementOf(tx: Transaction, agreementId: string, hash: string): Promise<string> {
  const [row] = await findStatement(tx, agreementId, hash);
  if (!row) throw noSuch('certificate');
  return row.statement;
}

/** The statement of one of them, to keep: canonical JSON whose SHA-256 is the one on the certificate. */
export async function visitorStatement(visitor: Visitor, hash: string): Promise<string> {
  return inCompany(visitor.companyId, async (tx) => {
    const head = await agreementBehind(tx, visitor);
    return statementOf(tx, head.id, hash);
  });
}

/**
 * The same for the desk.
 * @throws Problem `no-such-agreement`
 */
export async function readSignedStatement(actor: Actor, agreementId: unknown, hash: string): Promise<string> {
  allow(actor, 'prices');
  const id = checkId(agreementId, 'agreement');
  return inCompany(actor, (tx) => statementOf(tx, id, hash));
}

/** What anyone who holds a certificate may know of it. */
export interface Checked {
  readonly company: string;
  readonly agreement: number;
  readonly kind: Certificate['kind'];
  readonly title: string;
  readonly signer: string;
  readonly signedAt: string;
  readonly intact: boolean;
}

const CheckInput = Type.Object(
  { sha256: Type.String({ pattern: '^[0-9a-f]{64}$' }) },
  { additionalProperties: false },
);
const CHECKS = 60;

/**
 * Checks a certificate for anyone who holds it: the hash of a statement is known only to who has seen it, and tells who
 * signed what when, and whether what is stored is still that.
 */
export async function checkCertificate(input: unknown, from: string, now: Date): Promise<Checked | null> {
  const { sha256: hash } = check(CheckInput, input, 'The certificate');
  await takeTry(`certificate:${from.slice(0, 60)}`, CHECKS, now);
  const companyId = await companyOfSigning(hash);
  if (companyId === null) return null;
  return inCompany(companyId, async (tx) => {
    const [row] = await signingBySha256(tx, hash);
    if (!row) return null;
    const [ours] = await findNameOfCompany(tx, row.companyId);
    const [head] = await agreementById(tx, row.agreementId);
    const { kind, title, signer, signedAt, intact } = await certify(tx, row);
    return { company: ours!.name, agreement: head!.number, kind, title, signer, signedAt, intact };
  });
}
