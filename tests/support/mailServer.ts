import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import net from 'node:net';
import PostalMime from 'postal-mime';
import type { Email } from 'postal-mime';
import type { SMTPServerOptions } from 'smtp-server';
import { SMTPServer } from 'smtp-server';

/** A letter as a mail server got it. */
export interface Received {
  readonly from: string;
  readonly to: readonly string[];
  readonly letter: Email;
  readonly raw: Buffer;
  readonly user: string | null;
}

export interface MailServer {
  readonly port: number;
  readonly received: Received[];
  /** How many were refused a way in, or an address. */
  refusals: number;
  close(): Promise<void>;
}

const answer = (responseCode: number, words: string) => Object.assign(new Error(words), { responseCode });

/** What it says to an address, by the word before its @. */
const answers: Readonly<Record<string, [number, string]>> = {
  nobody: [550, '5.1.1 no such mailbox'],
  full: [452, '4.2.2 the mailbox is full'],
};

/** A mail server on loopback that takes letters, refuses them or lets one wait, as the address asks. */
export async function mailServer({
  login,
  refuseAll = false,
  slow = 0,
  ...more
}: SMTPServerOptions & {
  readonly login?: { readonly user: string; readonly password: string };
  /** Takes every address, and then not the letter. */
  readonly refuseAll?: boolean;
  /** Milliseconds it takes over a letter. */
  readonly slow?: number;
} = {}): Promise<MailServer> {
  const received: Received[] = [];
  const server = new SMTPServer({
    authOptional: login === undefined,
    allowInsecureAuth: true,
    disabledCommands: ['STARTTLS'],
    logger: false,
    ...more,
    onAuth({ username = '', password = '' }, _session, callback) {
      if (login && username === login.user && password === login.password) callback(null, { user: username });
      else {
        shown.refusals += 1;
        callback(answer(535, '5.7.8 wrong user or password'));
      }
    },
    onRcptTo({ address }, _session, callback) {
      const refused = answers[address.split('@')[0]!];
      if (refused) shown.refusals += 1;
      callback(refused ? answer(...refused) : undefined);
    },
    onData(stream, session, callback) {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        if (refuseAll) return callback(answer(554, '5.7.1 this looks like spam'));
        const raw = Buffer.concat(parts);
        setTimeout(() => {
          void PostalMime.parse(raw).then((letter) => {
            const { mailFrom, rcptTo } = session.envelope;
            received.push({
              ...{ letter, raw, user: typeof session.user === 'string' ? session.user : null },
              from: mailFrom ? mailFrom.address : '',
              to: rcptTo.map(({ address }) => address),
            });
            callback();
          });
        }, slow);
      });
    },
  });
  // What it cannot agree on with who calls is told to who calls.
  server.on('error', () => undefined);
  server.listen(0, '127.0.0.1');
  await once(server.server, 'listening');
  const { port } = server.server.address() as AddressInfo;
  const shown: MailServer = {
    ...{ port, received, refusals: 0 },
    close: () => new Promise<void>((done) => server.close(() => done())),
  };
  return shown;
}

/** A machine that takes a call and never says a word. */
export async function silentServer(): Promise<{ readonly port: number; close(): Promise<void> }> {
  const calls = new Set<net.Socket>();
  const server = net.createServer((socket) => calls.add(socket.on('error', () => undefined)));
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  return {
    port: (server.address() as AddressInfo).port,
    close: () =>
      new Promise<void>((done) => {
        calls.forEach((socket) => socket.destroy());
        server.close(() => done());
      }),
  };
}

/** A report that a letter could not be delivered, as a mail server writes it (RFC 3464, section 2 and appendix E.1). */
export const deliveryReport = (letter: Buffer, to: string, action: 'failed' | 'delayed' = 'failed'): Buffer =>
  Buffer.from(
    [
      'From: Mail Delivery Subsystem <MAILER-DAEMON@mail.test.example>',
      'To: <returns@builders.test.example>',
      'Subject: Returned mail: see transcript for details',
      'MIME-Version: 1.0',
      'Content-Type: multipart/report; report-type=delivery-status; boundary="=_report"',
      '',
      '--=_report',
      'Content-Type: text/plain; charset=us-ascii',
      '',
      'Your message could not be delivered.',
      '',
      '--=_report',
      'Content-Type: message/delivery-status',
      '',
      'Reporting-MTA: dns; mail.test.example',
      '',
      `Original-Recipient: rfc822;${to}`,
      `Final-Recipient: rfc822;${to}`,
      `Action: ${action}`,
      'Status: 5.2.2',
      'Diagnostic-Code: smtp; 552 5.2.2 the mailbox',
      ' is over its quota',
      '',
      '--=_report',
      'Content-Type: text/rfc822-headers',
      '',
      letter.toString('latin1').split('\r\n\r\n')[0]!,
      '',
      '--=_report--',
      '',
    ].join('\r\n'),
    'latin1',
  );
