import type { BillingPaper, LoadedAgreement } from '@/core/billing';
import { showDecimal } from '@/core/number';
import { showDate } from '@/core/text/dates';
import { fillWords } from '@/core/text/fillWords';
import type { Transaction } from '@/data/connection';
import { findStagePhotos } from '@/data/agreements/stagePhoto';
import { findFileSizes } from '@/data/files/keptFile';
import { siteById } from '@/data/customers/site';
import type { companyOf } from '@/data/settings/company';
import { hybridPdf } from '@/formats/facturx/hybridPdf';
import { statementPdf } from '@/formats/pdf/statementPdf';
import { textPdf } from '@/formats/pdf/textPdf';
import type { AttachInput } from '@/model';
import type { Attachment } from '../post';
import { noSuch, Problem } from '../problem';
import { paperOf } from './paper';
import { progressStatementOf } from './statement';

/** More does not arrive: many mail servers take 25 MB with all that makes a letter of it. */
const MOST_BYTES = 15_000_000;

type Bill = LoadedAgreement['invoices'][number];
type Company = Awaited<ReturnType<typeof companyOf>>;

/** @throws Problem `no-waiver` */
async function waiverOf(tx: Transaction, { head }: LoadedAgreement, bill: Bill, ours: Company) {
  const words = ours.money.waiver?.trim();
  if (!words) throw new Problem('no-waiver', 'The settings have no text of a waiver.');
  const [site] = await siteById(tx, head.siteId);
  const address = site?.address;
  const text = fillWords(words, {
    customer: bill.buyer.name,
    site: address ? [address.street, address.city].filter(Boolean).join(', ') : '',
    agreement: `${head.number}, ${head.title}`,
    invoice: bill.label,
    amount: `${showDecimal(bill.total)} ${head.currency}`,
    date: showDate(bill.issuedOn),
    company: ours.name,
  });
  const foot = `${ours.name} · ${ours.email}`;
  return textPdf({ title: 'Waiver', text, from: ours.name, foot, day: bill.issuedOn });
}

/** @throws Problem `no-such-picture` */
async function photosOf(tx: Transaction, agreementId: string, ids: readonly string[]): Promise<Attachment[]> {
  if (ids.length === 0) return [];
  const known = new Map((await findStagePhotos(tx, agreementId)).map((photo) => [photo.id, photo]));
  return ids.map((id) => {
    const photo = known.get(id);
    if (!photo) throw noSuch('picture');
    const { fileId, mediaType, caption, name } = photo;
    return { name: `photo “${caption || name}”`, mediaType, fileId };
  });
}

/**
 * What goes with the letter of an invoice, as it is now.
 * @throws Problem `no-such-picture`, `no-waiver`, `letter-too-large`
 */
export async function attachmentsOf(
  tx: Transaction,
  loaded: LoadedAgreement,
  bill: Bill,
  { invoice, statement, waiver, photos = [] }: AttachInput,
  ours: Company,
): Promise<Attachment[]> {
  const paper = (name: string, bytes: Uint8Array): Attachment => ({
    ...{ name, mediaType: 'application/pdf' },
    bytes: Buffer.from(bytes),
  });
  const billing = loaded.ofAgreement.find(({ id }) => id === bill.id) as BillingPaper | undefined;
  const pictures = await photosOf(tx, loaded.head.id, photos);
  const attachments = [
    ...(invoice ? [paper(`invoice ${bill.label}.pdf`, await hybridPdf(paperOf(loaded, bill)))] : []),
    ...(statement && billing
      ? [paper('progress statement.pdf', await statementPdf(progressStatementOf(loaded, billing)))]
      : []),
    ...(waiver ? [paper('waiver.pdf', await waiverOf(tx, loaded, bill, ours))] : []),
    ...pictures,
  ];
  const sizes = [
    ...attachments.flatMap((each) => ('bytes' in each ? [each.bytes.length] : [])),
    ...(await findFileSizes(
      tx,
      pictures.flatMap((each) => ('fileId' in each ? [each.fileId] : [])),
    )),
  ];
  if (sizes.reduce((sum, each) => sum + each, 0) > MOST_BYTES)
    throw new Problem(
      'letter-too-large',
      `What goes with the letter is larger than ${MOST_BYTES / 1_000_000} MB together: take fewer photos.`,
    );
  return attachments;
}

/** What can go with the letters of an agreement’s invoices beside their papers. */
export const attachable = async (
  tx: Transaction,
  agreementId: string,
  { money }: Pick<Awaited<ReturnType<typeof companyOf>>, 'money'>,
) => ({
  photos: (await findStagePhotos(tx, agreementId)).map(({ id, stage, fileId, caption, name }) => ({
    ...{ id, stage, fileId },
    name: caption || name,
  })),
  hasWaiver: (money.waiver ?? '').trim() !== '',
});
