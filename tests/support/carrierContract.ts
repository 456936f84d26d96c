import type { OutgoingLetter, Post } from '@/gateways/mail/post';
import { CarrierAway } from '@/gateways/mail/post';

export const letterOf = (more: Partial<OutgoingLetter> = {}): OutgoingLetter => ({
  id: '01990000-0000-7000-8000-000000000001',
  to: 'anna@customers.test.example',
  subject: 'Your proposal: a porch with a séance room',
  body: 'Dear Anna,\n\nsee https://here.test.example/b/abc\n.\n\nYours, 5 € off — Łukasz',
  from: { name: 'Gable, “Otter” & Sons', replyTo: 'office@builders.test.example' },
  attachments: [
    { name: 'Plan – Überblick.pdf', mediaType: 'application/pdf', bytes: Buffer.from('%PDF-1.7 …') },
  ],
  ...more,
});

/** A carrier under test, and the world on its other side. */
export interface CarrierWorld {
  readonly carrier: Post;
  /** The letters that arrived: by which name, to whom, with which words and parts. */
  arrived(): readonly {
    readonly id: string;
    readonly to: readonly string[];
    readonly subject: string;
    readonly body: string;
    readonly attachments: readonly { readonly name: string; readonly bytes: Buffer }[];
  }[];
  /** An address that the world refuses for good, and one that it cannot take just now. */
  readonly nowhere: string;
  readonly notNow: string;
}

/** What every carrier of letters must do (docs/ports/mail.md). */
export function carrierContract(name: string, build: () => Promise<CarrierWorld>): void {
  describe(`${name} carries letters as any carrier must`, () => {
    let world: CarrierWorld;
    beforeEach(async () => {
      world = await build();
    });

    test('a letter arrives whole, once, under our name for it', async () => {
      const letter = letterOf();
      expect(await world.carrier.deliver(letter)).toEqual({ state: 'delivered', note: '' });
      const [arrived, ...more] = world.arrived();
      expect(more).toEqual([]);
      expect(arrived).toMatchObject({ id: letter.id, to: [letter.to], subject: letter.subject });
      expect(arrived!.body.trimEnd()).toBe(letter.body);
      expect(arrived!.attachments).toEqual(letter.attachments.map(({ name, bytes }) => ({ name, bytes })));
    });

    test('to several; who is refused is named, the others get it', async () => {
      const to = `anna@customers.test.example, ${world.nowhere}, ben@customers.test.example`;
      const { state, note } = await world.carrier.deliver(letterOf({ to }));
      expect(state).toBe('delivered');
      expect(note).toMatch(/^The mail server refused: .+/);
      expect(world.arrived().flatMap((each) => each.to)).toEqual([
        'anna@customers.test.example',
        'ben@customers.test.example',
      ]);
    });

    test('refused for good: it comes back, with the reason', async () => {
      const { state, note } = await world.carrier.deliver(letterOf({ to: world.nowhere }));
      expect(state).toBe('returned');
      expect(note).not.toBe('');
      expect(world.arrived()).toEqual([]);
    });

    test('not now: it is to be tried again', async () => {
      await expect(world.carrier.deliver(letterOf({ to: world.notNow }))).rejects.toThrow(CarrierAway);
      expect(world.arrived()).toEqual([]);
    });

    test('no header can be slipped in by a subject, a name or an address', async () => {
      const bad = 'Hello\r\nBcc: thief@other.test.example';
      await world.carrier.deliver(letterOf({ subject: bad, from: { name: bad, replyTo: '' } }));
      expect(world.arrived().flatMap(({ to }) => to)).toEqual(['anna@customers.test.example']);
    });
  });
}
