import type { CardStandIn } from '@/gateways/cards/standIn';
import { cardStandIn } from '@/gateways/cards/standIn';

/** Who takes money from cards: a stand-in, whose secret is its own. */
export const cardService = (): CardStandIn => cardStandIn(process.env.IMPEGNO_SECRET ?? '');
