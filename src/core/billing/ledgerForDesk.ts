import type { Ledger } from './ledger';
import type { LoadedAgreement } from './loadedAgreement';

/** An agreement as billing sees it, and nothing else: our cost stays here. */
export const ledgerForDesk = (loaded: LoadedAgreement): Ledger => ({
  minorDigits: loaded.digits,
  terms: loaded.ledger.terms,
  components: loaded.ledger.components,
  lines: loaded.lines.map(({ id, description, sectionTitle, stage, taxClass, quantity, net, taxes }) => ({
    ...{ id, description, sectionTitle, stage, taxClass, quantity, net, taxes },
  })),
  entries: loaded.payments.map(({ entryId, name, kind, amount }) => ({ id: entryId, name, kind, amount })),
  papers: loaded.ofAgreement.map(
    ({ id, kind, entryId, credits, countsTowardRetainage, draws, retainage, advance }) => ({
      ...{ id, kind, entryId, credits, countsTowardRetainage, retainage, advance },
      draws: draws.map(({ lineId, net, taxes }) => ({ lineId, net, taxes })),
    }),
  ),
});
