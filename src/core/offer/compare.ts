import type { CustomerEntry, CustomerView } from '@/model';

/** One thing that is different between two states of an offer, as the customer may read it. */
export interface Change {
  readonly what: string;
  readonly before: string | null;
  readonly after: string | null;
}

const nameOf = (entry: CustomerEntry) => (entry.kind === 'question' ? entry.prompt : entry.description);

function entryText(entry: CustomerEntry): string {
  if (entry.kind === 'question')
    return entry.alternatives.map(({ name, difference }) => `${name} ${difference}`).join(' · ');
  const parts = [entry.quantity, entry.amount, entry.kind === 'extra' ? entry.difference : null];
  return [entry.description, entry.detail, ...parts].filter((part) => part !== null).join(' · ');
}

function mapById<T extends { readonly id: string }>(rows: readonly T[]): Map<string, T> {
  return new Map(rows.map((row) => [row.id, row]));
}

/** Pairs rows of two lists by id, in the order of the newer list, those that are gone last. */
function paired<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
): [T | null, T | null][] {
  const old = mapById(before);
  const kept = mapById(after);
  return [
    ...after.map((row): [T | null, T | null] => [old.get(row.id) ?? null, row]),
    ...before.filter((row) => !kept.has(row.id)).map((row): [T | null, T | null] => [row, null]),
  ];
}

/**
 * What changed from one state of an offer to another, in the words and figures the customer sees in each; empty when
 * they read the same.
 */
export function compareViews(before: CustomerView, after: CustomerView): Change[] {
  const changes: Change[] = [];
  const note = (what: string, old: string | null, now: string | null) => {
    if (old !== now) changes.push({ what, before: old, after: now });
  };

  note('Total', before.total, after.total);
  note('Title', before.title, after.title);
  for (const [old, now] of paired(before.sections, after.sections)) {
    const title = (now ?? old)!.title;
    if (!old || !now) {
      note(title, old ? (old.amount ?? 'included') : null, now ? (now.amount ?? 'included') : null);
      continue;
    }
    note(`${title}: wording`, old.text, now.text);
    note(title, old.amount, now.amount);
    for (const [oldEntry, entry] of paired(old.entries, now.entries))
      note(nameOf((entry ?? oldEntry)!), oldEntry && entryText(oldEntry), entry && entryText(entry));
  }
  note('Discount', before.discount, after.discount);
  for (const [old, now] of paired(before.fees, after.fees))
    note((now ?? old)!.name, old?.amount ?? null, now?.amount ?? null);
  note('Tax', before.taxTotal, after.taxTotal);
  for (const [old, now] of paired(before.payments, after.payments))
    note(`Payment: ${(now ?? old)!.name}`, old?.amount ?? null, now?.amount ?? null);
  note('Terms', before.terms, after.terms);
  note('Cover note', before.coverNote, after.coverNote);
  note('Prices hold until', before.validUntil, after.validUntil);
  return changes;
}
