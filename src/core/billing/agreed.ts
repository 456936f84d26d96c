import type { SpreadWay } from '@/model';
import type { FrozenAgreement, TaxComponent } from '../agreements';
import { ownEntryId, ownEntryName } from '../agreements';
import type { Amount } from '../number';
import { ZERO } from '../number';
import { spreadChange } from '../schedule';
import type { Issued, Ledger, LedgerLine } from './ledger';
import { billedOfEntry } from './ledger';
import type { InvoiceDraft } from './makeInvoice';
import type { Portion } from './paper';

/** An agreement in memory: its ledger, and the tax components its taxes are of. */
export interface Agreed {
  readonly ledger: Ledger;
  readonly components: readonly TaxComponent[];
}

const ledgerLines = ({ lines }: FrozenAgreement, idOf = (id: string) => id): LedgerLine[] =>
  lines.map(({ id, description, sectionTitle, stage, taxClass, quantity, net, taxes }) => ({
    ...{ id: idOf(id), description, sectionTitle, stage, taxClass, quantity, net, taxes },
  }));

/** The ledger an agreement begins with. */
export function openLedger(frozen: FrozenAgreement): Agreed {
  return {
    ledger: {
      minorDigits: frozen.minorDigits,
      terms: frozen.billing,
      lines: ledgerLines(frozen),
      components: frozen.components.length,
      entries: frozen.payments.map(({ id, name, kind, amount }) => ({ id, name, kind, amount })),
      papers: [],
    },
    components: frozen.components,
  };
}

/**
 * An agreement with a signed change order: its lines come behind, under its number; a rate that is there already is the
 * same component, another one comes behind; its sum goes on the payments that are not billed.
 */
export function withChange(
  { ledger, components }: Agreed,
  frozen: FrozenAgreement,
  { number, spread }: { readonly number: number; readonly spread: SpreadWay },
): Agreed {
  const known = [...components];
  const places = frozen.components.map((component) => {
    const at = known.findIndex(({ key, percent }) => key === component.key && percent === component.percent);
    return at < 0 ? known.push(component) - 1 : at;
  });
  const wider = (taxes: readonly Amount[]): Amount[] => known.map((_, t) => taxes[t] ?? ZERO);
  const placed = (taxes: readonly Amount[]): Amount[] => {
    const row = known.map((): Amount => ZERO);
    taxes.forEach((tax, t) => (row[places[t]!] = tax));
    return row;
  };
  const widened = <T extends { readonly taxes: readonly Amount[] }>(rows: readonly T[]): T[] =>
    rows.map((row) => ({ ...row, taxes: wider(row.taxes) }));

  const { changes, own } = spreadChange(
    ledger.entries.map(({ id, amount }) => ({ id, amount, billed: billedOfEntry(ledger, id) !== 0n })),
    frozen.total,
    spread,
  );
  const added = new Map(changes.map(({ id, amount }) => [id, amount]));
  return {
    components: known,
    ledger: {
      ...ledger,
      components: known.length,
      lines: [
        ...widened(ledger.lines),
        ...ledgerLines(frozen, (id) => `c${number}.${id}`).map((line) => ({
          ...line,
          taxes: placed(line.taxes),
        })),
      ],
      entries: [
        ...ledger.entries.map((entry) => ({
          ...entry,
          amount: (entry.amount + (added.get(entry.id) ?? 0n)) as Amount,
        })),
        ...(own === 0n
          ? []
          : [
              {
                id: ownEntryId(number),
                name: ownEntryName(number, own),
                kind: 'stage' as const,
                amount: own,
              },
            ]),
      ],
      papers: ledger.papers.map((paper) => ({
        ...paper,
        draws: widened(paper.draws),
        retainage: widened<Portion>(paper.retainage),
        advance: widened<Portion>(paper.advance),
      })),
    },
  };
}

/** A ledger with one more paper on it. */
export function withPaper(
  ledger: Ledger,
  made: InvoiceDraft,
  id: string,
  credits: string | null = null,
): Ledger {
  const { kind, draws, retainage, advance, countsTowardRetainage, entryId } = made;
  const paper: Issued = { id, kind, draws, retainage, advance, countsTowardRetainage, entryId, credits };
  return { ...ledger, papers: [...ledger.papers, paper] };
}
