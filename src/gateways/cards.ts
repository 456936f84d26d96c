/** A request to take money from a card. The number is used for the question and kept nowhere. */
export interface ChargeRequest {
  /** Ours for this charge: asked again under it, the service takes nothing twice. */
  readonly reference: string;
  readonly number: string;
  /** MM/YY */
  readonly expiry: string;
  /** Decimal text in the currency. */
  readonly amount: string;
  readonly currency: string;
  /** Today, for the expiry. */
  readonly today: string;
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

export interface Cards {
  /** Gives money back on the card of a charge: accepted, or refused with a reason. */
  refund(request: CardRefundRequest): ChargeAnswer;
  charge(request: ChargeRequest): ChargeAnswer;
  /** Goes on with a charge that needs a confirmation, with the code the holder got from the bank. */
  confirm(request: { readonly reference: string; readonly code: string }): ChargeAnswer;
}

/** Numbers for trying it out. ISO/IEC 7812 leaves numbers that begin with 9 to national bodies: no bank's card does. */
export const trialCards = {
  accepted: '9100 0000 0000 0000',
  refused: '9200 0000 0000 0009',
  confirmed: '9300 0000 0000 0008',
  delayed: '9400 0000 0000 0007',
} as const;

/** What the bank of the third number sends its holder. */
export const trialCode = '4071';

/** Check digit of a card number (ISO/IEC 7812-1, annex B). */
export function hasValidCheckDigit(digits: string): boolean {
  let sum = 0;
  [...digits].reverse().forEach((digit, i) => {
    const doubled = Number(digit) * (i % 2 === 1 ? 2 : 1);
    sum += doubled > 9 ? doubled - 9 : doubled;
  });
  return /^\d{12,19}$/.test(digits) && sum % 10 === 0;
}

const digitsOf = (number: string): string => number.replace(/[\s-]/g, '');

/** What may be kept of a card number. */
export const lastFourOf = (number: string): string => digitsOf(number).slice(-4).padStart(4, '0');

const refused = (reason: string): ChargeAnswer => ({ kind: 'refused', reason });
const answers: Readonly<Record<string, ChargeAnswer>> = {
  91: { kind: 'accepted', reason: null },
  92: refused('The bank refused: not enough money on the account.'),
  93: { kind: 'needs confirmation', reason: null },
  94: { kind: 'delayed', reason: null },
};

/** The stand-in: what it answers lies in the first two digits. */
export const simulatedCards: Cards = {
  refund({ lastFour }) {
    return lastFour === lastFourOf(trialCards.confirmed)
      ? refused('The card is closed; its bank takes nothing back.')
      : { kind: 'accepted', reason: null };
  },
  charge({ number, expiry, today }) {
    const digits = digitsOf(number);
    if (!hasValidCheckDigit(digits)) return refused('The card number has a typing mistake.');
    const [month = '', year = ''] = expiry.split('/').map((part) => part.trim());
    if (!/^(0[1-9]|1[0-2])$/.test(month) || !/^\d{2}$/.test(year))
      return refused('The expiry date is written MM/YY.');
    if (`20${year}-${month}` < today.slice(0, 7)) return refused('The card has expired.');
    return answers[digits.slice(0, 2)] ?? refused('The bank does not know this card.');
  },
  confirm({ code }) {
    return code.trim() === trialCode
      ? { kind: 'accepted', reason: null }
      : refused('The bank did not accept the code.');
  },
};
