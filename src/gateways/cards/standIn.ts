import { createHmac, timingSafeEqual } from 'node:crypto';
import type { CardPageRequest, Cards, ChargeAnswer } from './cards';

/** Numbers for trying it out. ISO/IEC 7812 leaves numbers that begin with 9 to national bodies: no bank's card does. */
export const trialCards = {
  accepted: '9100 0000 0000 0000',
  refused: '9200 0000 0000 0009',
  confirmed: '9300 0000 0000 0008',
  delayed: '9400 0000 0000 0007',
} as const;

/** What the bank of the third number sends its holder. */
export const trialCode = '4071';

/** So long a page of the service, and what it gives, are good for, in milliseconds. */
const PAGE_OPEN = 30 * 60_000;

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
const lastFourOf = (number: string): string => digitsOf(number).slice(-4).padStart(4, '0');

const refused = (reason: string): ChargeAnswer => ({ kind: 'refused', reason });
const answers: Readonly<Record<string, ChargeAnswer>> = {
  91: { kind: 'accepted', reason: null },
  92: refused('The bank refused: not enough money on the account.'),
  93: { kind: 'needs confirmation', reason: null },
  94: { kind: 'delayed', reason: null },
};

/** What the service knows of a card behind what it gave: how its bank answers, and what may be told. */
interface KnownCard {
  readonly is: 'card';
  /** The first two digits: the bank. */
  readonly bank: string;
  readonly lastFour: string;
  readonly until: number;
}

interface OpenPage extends CardPageRequest {
  readonly is: 'page';
  readonly until: number;
}

/** A page of the stand-in, as it is shown. */
export type ShownCardPage = Pick<CardPageRequest, 'what' | 'amount' | 'currency' | 'back'>;

export interface CardStandIn extends Cards {
  /** The page behind a part of an address; null: there is none, or it is over. */
  open(page: string, now: Date): ShownCardPage | null;
  /** What is typed there: where its holder goes back to with the card, or what is wrong with it. */
  type(
    page: string,
    card: { readonly number: string; readonly expiry: string },
    now: Date,
  ): { readonly back: string } | { readonly wrong: string };
}

/** A slip in the number or the date, in a sentence; null: none. */
function slipIn({ number, expiry }: { number: string; expiry: string }, now: Date): string | null {
  if (!hasValidCheckDigit(digitsOf(number))) return 'The card number has a typing mistake.';
  const [month = '', year = ''] = expiry.split('/').map((part) => part.trim());
  if (!/^(0[1-9]|1[0-2])$/.test(month) || !/^\d{2}$/.test(year)) return 'The expiry date is written MM/YY.';
  if (`20${year}-${month}` < now.toISOString().slice(0, 7)) return 'The card has expired.';
  return null;
}

/**
 * The stand-in: a service of its own with a page of its own; what it answers lies in the first two digits of a card. It keeps
 * nothing: what it gives out it knows again by its signature.
 * @param secret of the service
 */
export function cardStandIn(secret: string): CardStandIn {
  const mac = (text: string) =>
    createHmac('sha256', secret).update(`card stand-in ${text}`).digest('base64url');
  const give = (value: KnownCard | OpenPage): string => {
    const text = Buffer.from(JSON.stringify(value)).toString('base64url');
    return `${text}.${mac(text)}`;
  };
  const known = <T extends KnownCard | OpenPage>(given: string, is: T['is'], now: Date): T | null => {
    const [text = '', signature = ''] = given.split('.');
    const right = Buffer.from(mac(text));
    const said = Buffer.from(signature);
    if (right.length !== said.length || !timingSafeEqual(right, said)) return null;
    const value = JSON.parse(Buffer.from(text, 'base64url').toString('utf8')) as T;
    return value.is === is && value.until > now.getTime() ? value : null;
  };
  return {
    page: (request, now) =>
      `/stand-in/cards/${give({ is: 'page', ...request, until: now.getTime() + PAGE_OPEN })}`,
    open(page, now) {
      const found = known<OpenPage>(page, 'page', now);
      return found && { what: found.what, amount: found.amount, currency: found.currency, back: found.back };
    },
    type(page, card, now) {
      const found = known<OpenPage>(page, 'page', now);
      if (!found) return { wrong: 'This page is over. Go back and begin again; nothing was taken.' };
      const slip = slipIn(card, now);
      if (slip !== null) return { wrong: slip };
      const token = give({
        is: 'card',
        bank: digitsOf(card.number).slice(0, 2),
        lastFour: lastFourOf(card.number),
        until: now.getTime() + PAGE_OPEN,
      });
      return { back: `${found.back}#${new URLSearchParams({ card: token, mark: found.mark }).toString()}` };
    },
    card(card, now) {
      const found = known<KnownCard>(card, 'card', now);
      return found && { lastFour: found.lastFour };
    },
    charge({ card }) {
      // It was good when it was looked at; a moment later it still is.
      const found = known<KnownCard>(card, 'card', new Date(0));
      return (found && answers[found.bank]) ?? refused('The bank does not know this card.');
    },
    confirm: ({ code }) =>
      code.trim() === trialCode
        ? { kind: 'accepted', reason: null }
        : refused('The bank did not accept the code.'),
    refund: ({ lastFour }) =>
      lastFour === lastFourOf(trialCards.confirmed)
        ? refused('The card is closed; its bank takes nothing back.')
        : { kind: 'accepted', reason: null },
  };
}
