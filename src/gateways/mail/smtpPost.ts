import { createTransport } from 'nodemailer';
import type { Delivery, OutgoingLetter, Post } from './post';
import { CarrierAway } from './post';
import type { SmtpSettings } from './smtpSettings';

/** How long a server may be silent, in milliseconds, and how long a letter may take in all. */
const SILENCE = 15_000;
const WHOLE = 45_000;

/** What a mail server answered, as far as it is told. */
interface SmtpError extends Error {
  readonly code?: string;
  readonly responseCode?: number;
  readonly response?: string;
}

const words = (error: SmtpError) => (error.response ?? error.message).replace(/\s+/g, ' ').slice(0, 300);

/** Under which name a letter is known to every mail server (RFC 5322, 3.6.4). */
export const messageIdOf = (id: string, from: string): string => `<${id}@${from.split('@')[1]}>`;

/** Whether a server refused for good: a reply of 500 or more (RFC 5321, 4.2.1) to an address or to the letter itself. */
const isRefusal = ({ code, responseCode = 0 }: SmtpError) =>
  responseCode >= 500 && (code === 'EENVELOPE' || code === 'EMESSAGE');

const refusedBy = (errors: readonly SmtpError[]) =>
  errors.map((error) => `The mail server refused: ${words(error)}`).join(' ');

/** Ends what takes too long, with whatever ends it. */
async function within<T>(milliseconds: number, work: Promise<T>, end: () => void): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, give) => {
    timer = setTimeout(() => {
      end();
      give(new CarrierAway('The mail server did not answer in time.'));
    }, milliseconds);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

/**
 * Sends letters by a mail server (SMTP, RFC 5321; submission, RFC 6409). Refused for good: it came back, with what the server
 * said. Not now, no answer, no way in: `CarrierAway`. Of several addresses those refused are named.
 */
export function smtpPost(
  settings: SmtpSettings,
  { silence = SILENCE, whole = WHOLE }: { readonly silence?: number; readonly whole?: number } = {},
): Post {
  const options = {
    ...{ host: settings.host, port: settings.port, secure: settings.implicitTls },
    ...{ requireTLS: settings.tls, ignoreTLS: !settings.tls },
    ...(settings.login ? { auth: { user: settings.login.user, pass: settings.login.password } } : {}),
    ...{ connectionTimeout: silence, greetingTimeout: silence, socketTimeout: silence, dnsTimeout: silence },
    ...{ disableFileAccess: true, disableUrlAccess: true },
  };

  async function deliver(letter: OutgoingLetter): Promise<Delivery> {
    const transport = createTransport(options);
    const to = letter.to.split(',').map((each) => each.trim());
    try {
      const { rejectedErrors = [] } = (await within(
        whole,
        transport.sendMail({
          messageId: messageIdOf(letter.id, settings.from),
          from: { name: letter.from.name, address: settings.from },
          ...(letter.from.replyTo === '' ? {} : { replyTo: letter.from.replyTo }),
          to,
          envelope: { from: settings.returnTo, to },
          subject: letter.subject,
          text: letter.body,
          attachments: letter.attachments.map(({ name, mediaType, bytes }) => ({
            ...{ filename: name, contentType: mediaType, content: bytes },
          })),
        }),
        () => transport.close(),
      )) as { rejectedErrors?: SmtpError[] };
      return { state: 'delivered', note: refusedBy(rejectedErrors) };
    } catch (error) {
      if (error instanceof CarrierAway) throw error;
      const known = error as SmtpError;
      if (isRefusal(known)) return { state: 'returned', note: refusedBy([known]) };
      throw new CarrierAway(
        known.code === 'EAUTH'
          ? `The mail server does not let us in: ${words(known)}`
          : `The mail server could not take it: ${words(known)}`,
      );
    } finally {
      transport.close();
    }
  }

  return { name: `SMTP by ${settings.host}`, deliver };
}
