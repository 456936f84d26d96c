import { cardService } from '@/services/cardService';

/** What the card service gives for a card that is typed at a page of it. */
export function cardOf(number: string, now = new Date(), expiry = '12/39'): string {
  const cards = cardService();
  const page = cards.page(
    { what: 'Demo', amount: '1.00', currency: 'USD', back: 'http://127.0.0.1/b/x', mark: 'demo' },
    now,
  );
  const typed = cards.type(page.split('/').at(-1)!, { number, expiry }, now);
  if ('wrong' in typed) throw new Error(typed.wrong);
  return new URLSearchParams(new URL(typed.back).hash.slice(1)).get('card')!;
}
