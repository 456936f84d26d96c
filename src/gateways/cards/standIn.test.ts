import { cardContract } from '../../../tests/support/cardContract';
import { cardStandIn, trialCards, trialCode } from './standIn';

const now = new Date('2026-05-04T10:00:00Z');
const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000);
const service = cardStandIn('a secret of the stand-in');

const request = {
  ...{ what: 'Invoice 2026-0001', amount: '120.50', currency: 'USD' },
  ...{ back: 'https://offers.test.example/b/x', mark: 'key-1 00000000-0000-7000-8000-000000000000' },
};
const partOf = (address: string) => address.split('/').at(-1)!;
const type = (address: string, number: string, expiry = '12/39', at = now) =>
  service.type(partOf(address), { number, expiry }, at);

cardContract('the stand-in', {
  service,
  now,
  typeCard: async (address, which) => {
    const typed = type(address, trialCards[which]);
    if ('wrong' in typed) throw new Error(typed.wrong);
    return typed.back;
  },
  code: trialCode,
});

test('a slip is told where the card is typed, and its holder stays there', () => {
  const page = service.page(request, now);
  expect(type(page, '9100 0000 0000 0001')).toEqual({ wrong: 'The card number has a typing mistake.' });
  expect(type(page, 'nothing')).toEqual({ wrong: 'The card number has a typing mistake.' });
  for (const expiry of ['13/39', '1239', '', '12/2039'])
    expect(type(page, trialCards.accepted, expiry)).toEqual({ wrong: 'The expiry date is written MM/YY.' });
  expect(type(page, trialCards.accepted, '04/26')).toEqual({ wrong: 'The card has expired.' });
  expect(type(page, trialCards.accepted, '05/26')).toHaveProperty('back');
  expect(type(page, '91-0000-0000-0000-00')).toHaveProperty('back');
});

test('a page is over after half an hour, and what was changed of it is none', () => {
  const page = partOf(service.page(request, now));
  expect(service.open(page, later(29))).toEqual({
    ...{ what: request.what, amount: request.amount, currency: 'USD', back: request.back },
  });
  expect(service.open(page, later(31))).toBeNull();
  expect(service.type(page, { number: trialCards.accepted, expiry: '12/39' }, later(31))).toHaveProperty(
    'wrong',
  );
  const [text, signature] = page.split('.') as [string, string];
  const other = Buffer.from(
    JSON.stringify({
      ...JSON.parse(Buffer.from(text, 'base64url').toString()),
      back: 'https://thief.example/',
    }),
  ).toString('base64url');
  for (const forged of [`${other}.${signature}`, text, '', '.', 'x.y', `${text}.${signature}x`])
    expect(service.open(forged, now)).toBeNull();
  expect(cardStandIn('another secret').open(page, now)).toBeNull();
});

test('a card is not a page, nor a page a card', () => {
  const page = service.page(request, now);
  const typed = type(page, trialCards.accepted) as { back: string };
  const card = new URLSearchParams(new URL(typed.back).hash.slice(1)).get('card')!;
  expect(service.open(card, now)).toBeNull();
  expect(service.card(partOf(page), now)).toBeNull();
  // The number is not in it.
  expect(Buffer.from(card.split('.')[0]!, 'base64url').toString()).not.toContain('9100');
});
