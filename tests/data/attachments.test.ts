import sharp from 'sharp';
import { addStagePhoto, captionStagePhoto, removeStagePhoto } from '@/services/agreements/stagePhotos';
import { putInStage } from '@/services/agreements/stages';
import { readInvoice } from '@/services/billing/invoiceAtDesk';
import { mailInvoice } from '@/services/billing/invoiceLetter';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { invoiceLetterSubject, invoiceLetterText } from '@/core/text/invoiceLetter';
import { keepFile } from '@/services/files/keep';
import { readAttachment } from '@/services/messages/attachment';
import { readSettings, saveSettings } from '@/services/settings/settings';
import { closeConnection } from '@/data/connection';
import { listMessages } from '../support/lists';
import { newAgreement, newCompany, testDocument } from '../support/desk';

afterAll(closeConnection);

async function withPhoto() {
  const actor = await newCompany();
  const { agreementId } = await newAgreement(actor, testDocument());
  await putInStage(actor, { agreementId, lineIds: ['l1'], stage: 'Frame' });
  const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#305040' } })
    .png()
    .toBuffer();
  const { id: fileId } = await keepFile(actor, 'picture', 'frame.png', bytes);
  const photo = await addStagePhoto(actor, { agreementId, stage: 'Frame', fileId });
  return { actor, agreementId, photo };
}

const send = (attach: object) => ({ to: 'customer@test.example', words: '', attach });

test('papers and photos go with an invoice as they are then, and stay so', async () => {
  const { actor, agreementId, photo } = await withPhoto();
  await captionStagePhoto(actor, { id: photo.id, caption: 'Sills' });
  await issueInvoice(actor, {
    agreementId,
    what: { amount: '500' },
    send: send({ invoice: true, statement: true, photos: [photo.id] }),
  });
  const letter = (await listMessages(actor)).find(({ kind }) => kind === 'invoice')!;
  expect(letter.attachments).toEqual([
    expect.stringMatching(/^invoice \d{4}-\d{3}\.pdf$/),
    'progress statement.pdf',
    'photo “Sills”',
  ]);
  expect(letter.body).toContain(`Attached: ${letter.attachments.join(', ')}.`);
  await removeStagePhoto(actor, { id: photo.id });
  const kept = await Promise.all([0, 1, 2].map((n) => readAttachment(actor, letter.id, n)));
  expect(kept.map(({ bytes }) => bytes.subarray(0, 4).toString('latin1'))).toEqual([
    '%PDF',
    '%PDF',
    expect.stringMatching(/^(\x89PNG|\xff\xd8\xff)/),
  ]);
  for (const n of [3, -1, 1.5, Number.NaN])
    await expect(readAttachment(actor, letter.id, n)).rejects.toThrow('no such attachment');
  await expect(readAttachment(await newCompany(), letter.id, 0)).rejects.toThrow('no such attachment');
});

test('a waiver is the company’s text with what is known put in; without one it is refused, and nothing is issued', async () => {
  const { actor, agreementId } = await withPhoto();
  const ask = { agreementId, what: { amount: '500' }, send: send({ waiver: true }) };
  await expect(issueInvoice(actor, ask)).rejects.toThrow('no text of a waiver');
  expect((await listMessages(actor)).filter(({ kind }) => kind === 'invoice')).toEqual([]);
  const { settled } = await readSettings(actor);
  await saveSettings(actor, {
    ...settled,
    money: { ...settled.money, waiver: 'On receipt of {amount} for {invoice} …' },
  });
  await issueInvoice(actor, ask);
  const [letter] = (await listMessages(actor)).filter(({ kind }) => kind === 'invoice');
  expect(letter!.attachments).toEqual(['waiver.pdf']);
});

test('an issued invoice is sent again as it is said: what was shown before is what arrives', async () => {
  const { actor, agreementId, photo } = await withPhoto();
  const { id } = await issueInvoice(actor, { agreementId, what: { amount: '500' } });
  const { letter, agreement } = await readInvoice(actor, id);
  expect(letter).toMatchObject({ to: 'customer@test.example', photos: [{ id: photo.id }], hasWaiver: false });
  const send = {
    to: 'customer@test.example, bookkeeper@test.example',
    words: 'As asked for.',
    attach: { invoice: true, photos: [photo.id] },
  };
  await mailInvoice(actor, { invoiceId: id, send });
  const [sent] = (await listMessages(actor)).filter(({ kind }) => kind === 'invoice');
  expect(sent!.toAddress).toBe('customer@test.example, bookkeeper@test.example');
  expect(sent!.attachments).toHaveLength(2);
  const shown = invoiceLetterText({
    ...letter!,
    words: send.words,
    attached: sent!.attachments,
    link: 'LINK',
  });
  const [before, after] = shown.split('LINK');
  expect(sent!.body.startsWith(before!)).toBe(true);
  expect(sent!.body.endsWith(after!)).toBe(true);
  expect(sent!.subject).toBe(invoiceLetterSubject(letter!.label, agreement.title));
  await expect(mailInvoice(actor, { invoiceId: id, send: { ...send, to: 'nobody' } })).rejects.toThrow();
  const { id: note } = await creditInvoice(actor, { invoiceId: id, what: { whole: true }, remark: '' });
  expect((await readInvoice(actor, note)).letter).toBeNull();
});

test('photos of another agreement, or of nobody, do not go with it', async () => {
  const { actor, agreementId } = await withPhoto();
  const other = await withPhoto();
  for (const id of [other.photo.id, agreementId])
    await expect(
      issueInvoice(actor, { agreementId, what: { amount: '5' }, send: send({ photos: [id] }) }),
    ).rejects.toThrow('no such picture');
});
