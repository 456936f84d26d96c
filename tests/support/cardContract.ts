import type { CardPageRequest, Cards } from '@/gateways/cards/cards';

/** A card service under test, and a person who types cards at its pages. */
export interface CardsUnderTest {
  readonly service: Cards;
  readonly now: Date;
  /** Types a card at a page; answers where the service leads back to. */
  readonly typeCard: (
    page: string,
    which: 'accepted' | 'refused' | 'confirmed' | 'delayed',
  ) => Promise<string>;
  /** What the bank of the third card sends. */
  readonly code: string;
}

/** What any adapter of the port of card payments must do (docs/ports/cards.md). */
export function cardContract(name: string, { service, now, typeCard, code }: CardsUnderTest): void {
  const asked: CardPageRequest = {
    ...{ what: 'Invoice 2026-0001, Porch & rail “north”', amount: '120.50', currency: 'USD' },
    ...{ back: 'https://offers.test.example/b/way~change', mark: 'key-1 of & an=invoice' },
  };
  let made = 0;
  const charge = async (which: Parameters<typeof typeCard>[1], amount = '120.50') => {
    const back = new URL(await typeCard(service.page(asked, now), which));
    const card = new URLSearchParams(back.hash.slice(1)).get('card')!;
    made += 1;
    const reference = `00000000-0000-7000-8000-${String(made).padStart(12, '0')}`;
    const request = { reference, card, amount, currency: 'USD' };
    return { request, answer: service.charge(request) };
  };

  describe(`${name} is a card service`, () => {
    test('it leads back where it was told to, with a card and what was given along, unchanged', async () => {
      const back = new URL(await typeCard(service.page(asked, now), 'accepted'));
      expect(back.origin + back.pathname).toBe(asked.back);
      const behind = new URLSearchParams(back.hash.slice(1));
      expect(behind.get('mark')).toBe(asked.mark);
      expect(service.card(behind.get('card')!, now)).toEqual({
        lastFour: expect.stringMatching(/^\d{4}$/),
      });
      // Nothing of it is sent to a server on the way back: it stands behind the #.
      expect(back.search).toBe('');
    });

    test('what is no card of it is none, and takes nothing', () => {
      for (const card of ['', 'x', '9100 0000 0000 0000', 'x'.repeat(1000)]) {
        expect(service.card(card, now)).toBeNull();
        expect(
          service.charge({
            reference: '00000000-0000-7000-8000-000000000999',
            card,
            amount: '1.00',
            currency: 'USD',
          }),
        ).toMatchObject({ kind: 'refused', reason: expect.stringMatching(/\S/) });
      }
    });

    test('each end of a charge is told apart, and asked again it is the same', async () => {
      for (const [which, kind] of [
        ['accepted', 'accepted'],
        ['refused', 'refused'],
        ['confirmed', 'needs confirmation'],
        ['delayed', 'delayed'],
      ] as const) {
        const { request, answer } = await charge(which);
        expect(answer.kind).toBe(kind);
        expect(service.charge(request)).toEqual(answer);
        expect(answer.reason === null).toBe(kind !== 'refused');
      }
    });

    test('a code of the bank: wrong, it is refused with a reason; right, it is taken', async () => {
      const { request } = await charge('confirmed');
      expect(service.confirm({ reference: request.reference, code: '0' })).toMatchObject({
        kind: 'refused',
        reason: expect.stringMatching(/\S/),
      });
      const again = (await charge('confirmed')).request;
      expect(service.confirm({ reference: again.reference, code }).kind).toBe('accepted');
    });

    test('money goes back on a card, and asked again under its reference it is the same', async () => {
      const { request } = await charge('accepted');
      const refund = {
        ...{ reference: '00000000-0000-7000-8000-000000000777', charge: request.reference },
        ...{ lastFour: '0000', amount: '20.00', currency: 'USD' },
      };
      expect(service.refund(refund)).toEqual({ kind: 'accepted', reason: null });
      expect(service.refund(refund)).toEqual({ kind: 'accepted', reason: null });
    });
  });
}
