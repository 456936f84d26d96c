import PostalMime from 'postal-mime';

/** A letter that came back, as its mail server tells it. */
export interface DeliveryReport {
  /** The name of the letter it is about, without its brackets. */
  readonly messageId: string;
  /** To whom it could not be delivered. */
  readonly to: string;
  /** Why, in the words of the server that refused; its status (RFC 3463) where it says no words. */
  readonly reason: string;
}

const fieldOf = (text: string, name: string): string | null =>
  new RegExp(`^${name}:[ \\t]*(.*(?:\\r?\\n[ \\t].*)*)`, 'im').exec(text)?.[1]?.replace(/\s+/g, ' ').trim() ??
  null;

/** What follows the type of a value, as in `rfc822; anna@firm.example`. */
const untyped = (value: string) => value.replace(/^[a-z0-9.-]+\s*;\s*/i, '').trim();

const textOf = (content: ArrayBuffer | Uint8Array | string) =>
  typeof content === 'string' ? content : new TextDecoder().decode(content);

/**
 * Reads a report that a letter could not be delivered (RFC 3464 within RFC 6522).
 * @param raw a whole message, as a mail server hands it on
 * @returns one for each address that failed; none when it is no such report, or only says that something takes its time
 */
export async function readDeliveryReport(raw: Buffer): Promise<DeliveryReport[]> {
  const { attachments } = await PostalMime.parse(raw, {
    // Reports are small and flat; what is not, is none.
    ...{ maxNestingDepth: 10, maxHeadersSize: 64 * 1024 },
    ...{ rfc822Attachments: true, forceRfc822Attachments: true },
  });
  const part = (type: RegExp) => attachments.find(({ mimeType }) => type.test(mimeType));
  const status = part(/^message\/(global-)?delivery-status$/i);
  const about = part(/^(message\/(rfc822|global)|text\/rfc822-headers|message\/(global|rfc822)-headers)$/i);
  if (!status) return [];
  const messageId = about ? fieldOf(textOf(about.content).slice(0, 64 * 1024), 'Message-ID') : null;
  const named = messageId === null ? null : /<([^<>\s]+)>/.exec(messageId)?.[1];
  if (!named) return [];
  return textOf(status.content)
    .slice(0, 64 * 1024)
    .split(/\r?\n\s*\r?\n/)
    .flatMap((block) => {
      if (fieldOf(block, 'Action')?.toLowerCase() !== 'failed') return [];
      const to = fieldOf(block, 'Original-Recipient') ?? fieldOf(block, 'Final-Recipient') ?? '';
      const reason = fieldOf(block, 'Diagnostic-Code') ?? `status ${fieldOf(block, 'Status') ?? '5.0.0'}`;
      return [{ messageId: named, to: untyped(to), reason: untyped(reason).slice(0, 300) }];
    });
}
