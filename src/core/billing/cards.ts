/** What a card service can say about a charge. */
export const cardEventKinds = [
  'accepted',
  'refused',
  'needs confirmation',
  'delayed',
  'disputed',
  'dispute won',
  'dispute lost',
] as const;

export type CardEventKind = (typeof cardEventKinds)[number];

export interface CardFact {
  readonly id: string;
  readonly kind: CardEventKind;
  /** When it happened at the service, as an ISO 8601 instant in UTC. */
  readonly at: string;
  readonly reason: string | null;
}

/** Where a charge stands. Asked: the service has not answered yet. */
export interface ChargeStanding {
  readonly state: 'asked' | CardEventKind;
  /** The money was taken from the card, whatever became of it. */
  readonly taken: boolean;
  /** It went back to the card's holder and is there still. */
  readonly back: boolean;
  readonly reason: string | null;
}

const disputes: readonly CardEventKind[] = ['disputed', 'dispute won', 'dispute lost'];
const rank = (kind: CardEventKind): number =>
  ['needs confirmation', 'delayed', 'refused', 'accepted', ...disputes].indexOf(kind);

/**
 * Where a charge stands after what was said about it. The order in which it was heard, and what was heard twice, make no
 * difference: things count by when they happened. A dispute says that money was taken, even if that was not heard yet;
 * once taken, a refusal heard late changes nothing.
 */
export function chargeStanding(facts: readonly CardFact[]): ChargeStanding {
  const inOrder = [...facts].sort(
    (a, b) => rank(a.kind) - rank(b.kind) || (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1),
  );
  const disputed = inOrder
    .filter(({ kind }) => disputes.includes(kind))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  const last = disputed.at(-1) ?? inOrder.at(-1);
  if (!last) return { state: 'asked', taken: false, back: false, reason: null };
  const taken = disputed.length > 0 || inOrder.some(({ kind }) => kind === 'accepted');
  return {
    state: last.kind,
    taken,
    back: last.kind === 'disputed' || last.kind === 'dispute lost',
    reason: last.reason,
  };
}
