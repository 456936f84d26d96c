import { seal, unseal } from '../seal';

const MINUTES = 10;
const PLACE = 'second step of signing in';

/** What a browser holds between password and code: whose password was right, sealed, for ten minutes. */
export const writeTicket = (personId: string, now: Date): string =>
  seal(`${personId} ${now.getTime() + MINUTES * 60_000}`, PLACE);

/** Whose ticket it is; null when it is none, or over. */
export function readTicket(ticket: string, now: Date): string | null {
  const [personId, until] = (unseal(ticket, PLACE) ?? '').split(' ');
  return personId && Number(until) > now.getTime() ? personId : null;
}
