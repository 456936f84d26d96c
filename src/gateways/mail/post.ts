/** A message that leaves the house. */
export interface Letter {
  /** One address, or several with commas between them. */
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}

/** A letter as its carrier gets it. */
export interface OutgoingLetter extends Letter {
  /** Ours for this letter: asked again under it, it is the same letter, and whoever gets it twice can tell. */
  readonly id: string;
  /** Who sends it: a name over the carrier's own address, and where an answer goes. Empty: the installation itself. */
  readonly from: { readonly name: string; readonly replyTo: string };
  readonly attachments: readonly {
    readonly name: string;
    readonly mediaType: string;
    readonly bytes: Buffer;
  }[];
}

/** What became of it. */
export interface Delivery {
  readonly state: 'delivered' | 'returned';
  /** What the carrier says of it, in a sentence; empty where there is nothing to say. */
  readonly note: string;
}

/** The carrier cannot be reached, or will not take a letter now: it is tried again later. */
export class CarrierAway extends Error {}

/**
 * The way messages go out. docs/ports/mail.md says what a carrier must do; `tests/support/carrierContract.ts` holds it to that.
 */
export interface Post {
  /** How it is named to people, as “SMTP by mail.firm.example”. */
  readonly name: string;
  /** @throws CarrierAway when it is to be tried again */
  deliver(letter: OutgoingLetter): Promise<Delivery>;
}

/**
 * The stand-in: nothing leaves the machine. Messages are read in the outbox; addresses at `returned.example` come back,
 * so that this can be seen too. It answers at once, so that a letter need not wait for it.
 */
export const simulatedDelivery = ({ to }: Letter): Delivery =>
  /@returned\.example(,|$)/.test(to.toLowerCase())
    ? { state: 'returned', note: 'There is no such address.' }
    : { state: 'delivered', note: '' };
