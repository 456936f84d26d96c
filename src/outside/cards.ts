/** A request to take money from a card. The number is used for the question and kept nowhere. */
export interface ChargeRequest {
  readonly number: string;
  /** MM/YY */
  readonly expiry: string;
  /** Decimal text in the currency. */
  readonly amount: string;
  readonly currency: string;
  /** Today, for the expiry. */
  readonly today: string;
}

export type ChargeAnswer =
  | { readonly answer: 'accepted'; readonly lastFour: string; readonly reason: null }
  | { readonly answer: 'refused'; readonly lastFour: string; readonly reason: string };

export interface Cards {
  charge(request: ChargeRequest): ChargeAnswer;
}

/** Numbers for trying it out. ISO/IEC 7812 leaves numbers that begin with 9 to national bodies: no bank's card does. */
export const trialCards = { accepted: '9100 0000 0000 0000', refused: '9200 0000 0000 0009' } as const;

/** Check digit of a card number (ISO/IEC 7812-1, annex B). */
export function hasValidCheckDigit(digits: string): boolean {
  let sum = 0;
  [...digits].reverse().forEach((digit, i) => {
    const doubled = Number(digit) * (i % 2 === 1 ? 2 : 1);
    sum += doubled > 9 ? doubled - 9 : doubled;
  });
  return /^\d{12,19}$/.test(digits) && sum % 10 === 0;
}

/** The stand-in: numbers from 91… are accepted, from 92… refused for want of money, all others unknown. */
export const simulatedCards: Cards = {
  charge({ number, expiry, today }) {
    const digits = number.replace(/[\s-]/g, '');
    const lastFour = digits.slice(-4).padStart(4, '0');
    const refused = (reason: string): ChargeAnswer => ({ answer: 'refused', lastFour, reason });
    if (!hasValidCheckDigit(digits)) return refused('The card number has a typing mistake.');
    const [month = '', year = ''] = expiry.split('/').map((part) => part.trim());
    if (!/^(0[1-9]|1[0-2])$/.test(month) || !/^\d{2}$/.test(year))
      return refused('The expiry date is written MM/YY.');
    if (`20${year}-${month}` < today.slice(0, 7)) return refused('The card has expired.');
    if (digits.startsWith('91')) return { answer: 'accepted', lastFour, reason: null };
    if (digits.startsWith('92')) return refused('The bank refused: not enough money on the account.');
    return refused('The bank does not know this card.');
  },
};
