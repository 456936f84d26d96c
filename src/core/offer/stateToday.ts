export type ProposalState = 'draft' | 'sent' | 'accepted' | 'declined' | 'lapsed' | 'withdrawn';

/** State as it stands today: a sent proposal lapses when the day its prices hold until is over. */
export function stateToday(
  state: ProposalState,
  validUntil: string | undefined,
  today: string,
): ProposalState {
  return state === 'sent' && validUntil !== undefined && validUntil < today ? 'lapsed' : state;
}
