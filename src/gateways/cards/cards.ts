/** What a page of the card service is asked for: its card's holder types its number there, and nowhere else. */
export interface CardPageRequest {
  /** What is paid, in a few words. */
  readonly what: string;
  /** Decimal text in the currency; what is shown there. It is taken when the card is charged, not there. */
  readonly amount: string;
  readonly currency: string;
  /** Where the holder comes back to, an address of ours; the service adds `#card=TOKEN&mark=MARK`, or goes there without. */
  readonly back: string;
  /** Ours; comes back as it is. */
  readonly mark: string;
}

/** A request to take money from a card. */
export interface ChargeRequest {
  /** Ours for this charge: asked again under it, the service takes nothing twice. */
  readonly reference: string;
  /** What the page of the service gave in the place of the card's number. */
  readonly card: string;
  /** Decimal text in the currency. */
  readonly amount: string;
  readonly currency: string;
}

export interface ChargeAnswer {
  readonly kind: 'accepted' | 'refused' | 'needs confirmation' | 'delayed';
  readonly reason: string | null;
}

/** A request to give money back on a card it was taken from. */
export interface CardRefundRequest {
  /** Ours for this refund: asked again under it, the service gives nothing twice. */
  readonly reference: string;
  /** Our reference of the charge. */
  readonly charge: string;
  /** What may be kept of the card's number. */
  readonly lastFour: string;
  /** Decimal text in the currency. */
  readonly amount: string;
  readonly currency: string;
}

/** Who takes money from cards (docs/ports/cards.md). The number of a card is never ours: its holder types it there. */
export interface Cards {
  /** The address of a page of the service, or a way from here on, for one payment. */
  page(request: CardPageRequest, now: Date): string;
  /** What may be known of a card behind what its page gave: null where it is none, or too old. */
  card(card: string, now: Date): { readonly lastFour: string } | null;
  /** Takes money: at once, not at all, after a code of the bank, or later, which is told by itself. */
  charge(request: ChargeRequest): ChargeAnswer;
  /** Goes on with a charge that needs a confirmation, with the code the holder got from the bank. */
  confirm(request: { readonly reference: string; readonly code: string }): ChargeAnswer;
  /** Gives money back on the card of a charge: accepted, or refused with a reason. */
  refund(request: CardRefundRequest): ChargeAnswer;
}
