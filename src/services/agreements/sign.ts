import canonicalize from 'canonicalize';
import type { Transaction } from '@/data/connection';
import type { signing } from '@/data/schema';
import type { KeptSignature } from '@/model';
import { newId } from '../actor';
import { companyOf } from '@/data/settings/company';
import { meansOf } from '../links';
import { sha256 } from '../secrets';
import { agreementById } from '@/data/agreements/agreement';
import { customerById } from '@/data/customers/customer';
import { siteById } from '@/data/customers/site';
import { insertSigning } from '@/data/agreements/signing';

/** Who says yes, and how that is known. */
export interface Signer {
  readonly companyId: string;
  readonly now: Date;
  readonly name: string;
  readonly signature: KeptSignature;
  readonly browser: string;
  /** The network address it came from. */
  readonly from: string;
  /** The private link it came under; null: none, somebody of ours recorded it. */
  readonly linkId: string | null;
  /** Who of ours recorded it on the customer's behalf. */
  readonly recordedBy: { readonly id: string; readonly name: string } | null;
}

/** What is signed. */
export interface Signed {
  readonly agreementId: string;
  readonly kind: typeof signing.$inferSelect.kind;
  readonly subject: string;
  readonly consent: string;
  /** The SHA-256 of the frozen document behind it. */
  readonly documentSha256: string;
  /** What was chosen, in words. */
  readonly choices: readonly string[];
  /** Everything as the signer read it. */
  readonly shown: unknown;
}

/**
 * Keeps a signature: a statement of all that was signed, as canonical JSON after RFC 8785, under its SHA-256. Nothing of
 * ours is in it, so the customer can hold it and check it.
 */
export async function recordSigning(tx: Transaction, signer: Signer, signed: Signed): Promise<string> {
  const [head] = await agreementById(tx, signed.agreementId);
  const [payer] = await customerById(tx, head!.customerId);
  const [place] = await siteById(tx, head!.siteId);
  const ours = await companyOf(tx, signer.companyId);
  const statement = canonicalize({
    format: 'impegno-signed',
    formatVersion: 1,
    kind: signed.kind,
    company: ours.name,
    customer: payer!.name,
    site: `${place!.address.street}, ${place!.address.city}`,
    agreement: head!.number,
    documentSha256: signed.documentSha256,
    consent: signed.consent,
    signer: signer.name,
    signature: signer.signature,
    signedAt: signer.now.toISOString(),
    browser: signer.browser,
    from: signer.from,
    recordedBy: signer.recordedBy?.name ?? null,
    means: signer.linkId === null ? null : await meansOf(tx, signer.linkId),
    choices: signed.choices,
    shown: signed.shown,
  })!;
  const hash = sha256(statement);
  await insertSigning(tx, {
    companyId: signer.companyId,
    id: newId(signer.now),
    agreementId: signed.agreementId,
    kind: signed.kind,
    subject: signed.subject,
    statement,
    sha256: hash,
    signerName: signer.name,
    signature: signer.signature,
    browser: signer.browser,
    fromAddress: signer.from,
    recordedBy: signer.recordedBy?.id ?? null,
    signedAt: signer.now,
  });
  return hash;
}
