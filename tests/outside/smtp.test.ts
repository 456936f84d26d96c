import { readDeliveryReport } from '@/gateways/mail/deliveryReport';
import { CarrierAway } from '@/gateways/mail/post';
import { messageIdOf, smtpPost } from '@/gateways/mail/smtpPost';
import { WrongSmtpSettings, smtpSettings } from '@/gateways/mail/smtpSettings';
import type { CarrierWorld } from '../support/carrierContract';
import { carrierContract, letterOf } from '../support/carrierContract';
import type { MailServer } from '../support/mailServer';
import { deliveryReport, mailServer, silentServer } from '../support/mailServer';

const open: { close(): Promise<void> }[] = [];
afterEach(async () => {
  await Promise.all(open.splice(0).map((each) => each.close()));
});

const kept = async <T extends { close(): Promise<void> }>(server: Promise<T>): Promise<T> => {
  const started = await server;
  open.push(started);
  return started;
};

const settingsFor = (port: number, more = '') =>
  smtpSettings({
    IMPEGNO_SMTP_URL: `smtp://${more}127.0.0.1:${port}`,
    IMPEGNO_MAIL_FROM: 'offers@builders.test.example',
    IMPEGNO_MAIL_RETURN: 'returns@builders.test.example',
  })!;

const worldOf = (server: MailServer): CarrierWorld => ({
  carrier: smtpPost(settingsFor(server.port)),
  arrived: () =>
    server.received.map(({ to, letter }) => ({
      id: letter.messageId!.slice(1).split('@')[0]!,
      to,
      subject: letter.subject ?? '',
      body: (letter.text ?? '').replaceAll('\r\n', '\n'),
      attachments: letter.attachments.map(({ filename, content }) => ({
        name: filename ?? '',
        bytes: Buffer.from(content as ArrayBuffer),
      })),
    })),
  nowhere: 'nobody@customers.test.example',
  notNow: 'full@customers.test.example',
});

carrierContract('SMTP', async () => worldOf(await kept(mailServer())));

describe('a mail server (RFC 5321, by the package smtp-server on loopback)', () => {
  test('gets who it is from, where answers go, and where it goes back to', async () => {
    const server = await kept(mailServer());
    await smtpPost(settingsFor(server.port)).deliver(letterOf());
    const [{ from, letter }] = server.received as [(typeof server.received)[number]];
    expect(from).toBe('returns@builders.test.example');
    expect(letter.from).toMatchObject({
      address: 'offers@builders.test.example',
      name: 'Gable, “Otter” & Sons',
    });
    expect(letter.replyTo).toMatchObject([{ address: 'office@builders.test.example' }]);
    expect(letter.messageId).toBe(messageIdOf(letterOf().id, 'offers@builders.test.example'));
  });

  test('that asks for a login is given it; with a wrong one the letter waits', async () => {
    const server = await kept(mailServer({ login: { user: 'us', password: 'p@ss/word' } }));
    await smtpPost(settingsFor(server.port, `us:${encodeURIComponent('p@ss/word')}@`)).deliver(letterOf());
    expect(server.received.map(({ user }) => user)).toEqual(['us']);
    const wrong = smtpPost(settingsFor(server.port, 'us:other@')).deliver(letterOf());
    await expect(wrong).rejects.toThrow(/does not let us in: 535/);
    expect(server.refusals).toBe(1);
  });

  test('that refuses the letter itself: it comes back with its words', async () => {
    const server = await kept(mailServer({ refuseAll: true }));
    expect(await smtpPost(settingsFor(server.port)).deliver(letterOf())).toEqual({
      state: 'returned',
      note: 'The mail server refused: 554 5.7.1 this looks like spam',
    });
  });

  test('that is not there, says nothing, or takes too long: the letter waits', async () => {
    const gone = await mailServer();
    await gone.close();
    await expect(smtpPost(settingsFor(gone.port)).deliver(letterOf())).rejects.toThrow(CarrierAway);
    const silent = await kept(silentServer());
    const patience = { silence: 300, whole: 5000 };
    await expect(smtpPost(settingsFor(silent.port), patience).deliver(letterOf())).rejects.toThrow(
      CarrierAway,
    );
    const slow = await kept(mailServer({ slow: 1500 }));
    const hasty = smtpPost(settingsFor(slow.port), { silence: 5000, whole: 300 }).deliver(letterOf());
    await expect(hasty).rejects.toThrow('The mail server did not answer in time.');
  });

  test('elsewhere is spoken to encrypted or not at all, and only if it is who it says', async () => {
    const plain = await kept(mailServer());
    const encrypted = { ...settingsFor(plain.port), tls: true };
    await expect(smtpPost(encrypted).deliver(letterOf())).rejects.toThrow(CarrierAway);
    expect(plain.received).toEqual([]);
    // This one has a certificate of its own making, which nobody vouches for.
    const unknown = await kept(mailServer({ disabledCommands: [] }));
    await expect(smtpPost({ ...settingsFor(unknown.port), tls: true }).deliver(letterOf())).rejects.toThrow(
      CarrierAway,
    );
    expect(unknown.received).toEqual([]);
  });
});

describe('how letters go out, by the configuration', () => {
  const from = { IMPEGNO_MAIL_FROM: 'offers@firm.example' };
  test('ports and encryption are what is usual (RFC 6409, RFC 8314)', () => {
    expect(smtpSettings({})).toBeNull();
    expect(smtpSettings({ IMPEGNO_SMTP_URL: 'smtp://u:p@mail.firm.example', ...from })).toMatchObject({
      ...{ port: 587, implicitTls: false, tls: true, returnTo: 'offers@firm.example' },
    });
    expect(smtpSettings({ IMPEGNO_SMTP_URL: 'smtps://mail.firm.example', ...from })).toMatchObject({
      ...{ port: 465, implicitTls: true, tls: true, login: null },
    });
    expect(smtpSettings({ IMPEGNO_SMTP_URL: 'smtp://mail.firm.example:25?tls=off', ...from })!.tls).toBe(
      false,
    );
    expect(smtpSettings({ IMPEGNO_SMTP_URL: 'smtp://127.0.0.1:25', ...from })!.tls).toBe(false);
  });

  test.each([
    [{ IMPEGNO_SMTP_URL: 'mail.firm.example', ...from }],
    [{ IMPEGNO_SMTP_URL: 'http://mail.firm.example', ...from }],
    [{ IMPEGNO_SMTP_URL: 'smtp://mail.firm.example' }],
    [{ IMPEGNO_SMTP_URL: 'smtp://mail.firm.example', ...from, IMPEGNO_MAIL_RETURN: 'nowhere' }],
  ])('what is wrong is said (%#)', (env) => {
    expect(() => smtpSettings(env)).toThrow(WrongSmtpSettings);
  });
});

describe('a report that a letter came back (RFC 3464)', () => {
  const letter = Buffer.from(
    'Message-ID: <01990000-0000-7000-8000-000000000001@firm.example>\r\nTo: a@b.example\r\n\r\nHi',
  );

  test('names the letter, the address and the reason', async () => {
    expect(await readDeliveryReport(deliveryReport(letter, 'a@b.example'))).toEqual([
      {
        messageId: '01990000-0000-7000-8000-000000000001@firm.example',
        to: 'a@b.example',
        reason: '552 5.2.2 the mailbox is over its quota',
      },
    ]);
  });

  test('a delay is none, nor is any other letter, nor what is no letter', async () => {
    expect(await readDeliveryReport(deliveryReport(letter, 'a@b.example', 'delayed'))).toEqual([]);
    expect(await readDeliveryReport(letter)).toEqual([]);
    expect(await readDeliveryReport(Buffer.from([0, 255, 13, 10, 13, 10, 1]))).toEqual([]);
    expect(await readDeliveryReport(Buffer.alloc(0))).toEqual([]);
  });
});
