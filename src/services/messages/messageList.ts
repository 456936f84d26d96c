import { messageListSource } from '@/data/messages/messageListSource';
import type { ListSpec } from '@/core/lists';
import { groupBy } from '@/core/collections/groupBy';
import { findAttachmentNames } from '@/data/messages/attachment';
import type { Actor } from '../actor';
import type { DeskList } from '../lists/deskList';
import type { LinkPurpose } from '../links';
import { mayShow } from '../links';

/** A letter as it is stored, with the state of the private link in it. */
interface StoredMessage {
  readonly id: string;
  readonly at: Date | string;
  readonly toAddress: string;
  readonly customer: string;
  readonly customerId: string | null;
  readonly subject: string;
  readonly kind: string;
  readonly state: 'waiting' | 'delivered' | 'returned' | 'failed';
  /** What its carrier said of it. */
  readonly note: string;
  readonly body: string;
  readonly proposalId: string | null;
  readonly proposal: string | null;
  readonly linkId: string | null;
  readonly linkPurpose: LinkPurpose | null;
  readonly linkOpen: boolean | null;
}

/** A letter as the outbox shows it. */
export interface MessageListRow extends Omit<StoredMessage, 'at' | 'linkId' | 'linkPurpose' | 'linkOpen'> {
  /** When it went out: an instant as ISO 8601 text. */
  readonly at: string;
  /** The private link in it: does it lead somewhere, and may this person see it? */
  readonly link: { readonly id: string; readonly open: boolean; readonly mayShow: boolean } | null;
  /** What went with it, in order. */
  readonly attachments: readonly string[];
}

/** What each kind of letter is called. */
export const messageKinds: Readonly<Record<string, string>> = {
  proposal: 'Proposal',
  acceptance: 'Acceptance',
  answer: 'Answer',
  selections: 'Selections',
  invoice: 'Invoice',
  reminder: 'Reminder',
  statement: 'Statement',
  invitation: 'Invitation',
  trial: 'Trial',
};

const spec: ListSpec = {
  name: 'messages',
  columns: [
    { key: 'at', title: 'Sent', kind: 'date' },
    { key: 'subject', title: 'Subject', kind: 'text' },
    { key: 'toAddress', title: 'To', kind: 'text' },
    { key: 'customer', title: 'Customer', kind: 'text' },
    { key: 'kind', title: 'Kind', kind: 'text' },
    { key: 'state', title: 'Delivery', kind: 'text' },
  ],
  filters: [
    {
      key: 'kind',
      label: 'Kind',
      kind: 'choice',
      options: Object.entries(messageKinds).map(([value, label]) => ({ value, label })),
    },
    {
      key: 'state',
      label: 'Delivery',
      kind: 'choice',
      options: [
        { value: 'delivered', label: 'Delivered' },
        { value: 'returned', label: 'Came back' },
        { value: 'waiting', label: 'In the post' },
        { value: 'failed', label: 'Not sent' },
      ],
    },
    { key: 'at', label: 'Sent', kind: 'days' },
  ],
  sort: { by: 'at', down: true },
};

const shown = (
  actor: Actor,
  { at, linkId, linkPurpose, linkOpen, ...row }: StoredMessage,
  attachments: readonly string[],
): MessageListRow => ({
  ...row,
  attachments,
  at: new Date(at).toISOString(),
  link:
    linkId === null ? null : { id: linkId, open: linkOpen === true, mayShow: mayShow(actor, linkPurpose!) },
});

/** The letters that went out. */
export const messageList: DeskList<StoredMessage, MessageListRow> = {
  spec: () => spec,
  source: ({ actor, timeZone }) => messageListSource({ now: actor.now, timeZone }),
  finish: async ({ actor, tx }, rows) => {
    const named = groupBy(
      await findAttachmentNames(
        tx,
        rows.map(({ id }) => id),
      ),
      ({ messageId }) => messageId,
    );
    return rows.map((row) =>
      shown(
        actor,
        row,
        (named.get(row.id) ?? []).map(({ name }) => name),
      ),
    );
  },
};
