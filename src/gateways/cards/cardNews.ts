import { signedRequest } from '../httpSignature';

/** What the card service tells later, by itself. */
export interface CardNews {
  readonly id: string;
  /** Our reference of the charge. */
  readonly charge: string;
  readonly kind: 'accepted' | 'refused' | 'disputed' | 'dispute won' | 'dispute lost';
  readonly amount: string;
  readonly currency: string;
  /** When it happened there. */
  readonly at: string;
  readonly reason: string | null;
}

/** The stand-in's message about a charge, as it comes to our door: signed with the secret of the account. */
export const cardMessage = (door: string, news: CardNews, secret: string, now: Date): Promise<Request> =>
  signedRequest(door, JSON.stringify(news), secret, now);
