import { looksLikeAddresses, splitAddresses, whoGets } from './recipients';

const person = (name: string, more: object = {}) => ({
  id: name,
  name,
  role: '',
  phone: '',
  email: `${name.toLowerCase()}@post.example`,
  getsOffers: false,
  getsInvoices: false,
  ...more,
});
const house = { name: 'The Orchard house', contactName: 'Ines', email: 'ines@post.example' };

test('whoever is ticked for it gets it; where nobody is, the customer’s own address', () => {
  const people = [person('Ada', { getsOffers: true }), person('Ben', { getsInvoices: true })];
  expect(whoGets(house, [], 'offers')).toEqual({ to: 'ines@post.example', name: 'Ines' });
  expect(whoGets(house, people, 'offers')).toEqual({ to: 'ada@post.example', name: 'Ada' });
  expect(whoGets(house, people, 'invoices')).toEqual({ to: 'ben@post.example', name: 'Ben' });
  expect(whoGets({ ...house, contactName: ' ' }, [], 'invoices').name).toBe('The Orchard house');
});

test('somebody ticked without an address gets nothing, and takes nothing from the others', () => {
  const silent = person('Ada', { email: '', getsInvoices: true });
  expect(whoGets(house, [silent], 'invoices').to).toBe('ines@post.example');
});

test('several are written to at once, each once, and greeted together', () => {
  const people = ['Ada', 'Ben', 'Cleo'].map((name) => person(name, { getsOffers: true }));
  expect(whoGets(house, people, 'offers')).toEqual({
    to: 'ada@post.example, ben@post.example, cleo@post.example',
    name: 'Ada, Ben and Cleo',
  });
  const shared = people.slice(0, 2).map((each) => ({ ...each, email: 'both@post.example' }));
  expect(whoGets(house, shared, 'offers')).toEqual({ to: 'both@post.example', name: 'Ada and Ben' });
});

test('addresses are typed with commas, semicolons or spaces', () => {
  expect(splitAddresses(' a@x.example;b@x.example,  a@x.example\n')).toEqual(['a@x.example', 'b@x.example']);
  expect(looksLikeAddresses('a@x.example, b@x.example')).toBe(true);
  for (const wrong of [
    '',
    ' , ',
    'a',
    'a@x.example b',
    'a@b@c',
    Array(11)
      .fill(0)
      .map((_, n) => `${n}@x`)
      .join(),
  ])
    expect(looksLikeAddresses(wrong)).toBe(false);
});
