import type { Transaction } from '@/data/connection';
import { sectionKind } from '@/data/library/search';
import type { ProposalDocument } from '@/model';
import { isId } from '@/model';
import type { Actor } from '../actor';
import { countUses } from '@/data/library/libraryUse';

/** Every entry of a document that was taken from the library, by its own id. */
function takenIn(document: ProposalDocument): Map<string, { usedId: string; kind: string }> {
  const taken = new Map<string, { usedId: string; kind: string }>();
  for (const section of document.sections) {
    const kind = sectionKind(section.title);
    const add = (id: string, usedId: string | undefined) => {
      if (isId(usedId)) taken.set(id, { usedId, kind });
    };
    for (const entry of section.entries) {
      const parts = entry.kind === 'question' ? entry.alternatives.flatMap(({ lines }) => lines) : [entry];
      for (const part of parts) add(part.id, part.kind === 'line' ? part.itemId : part.bundleId);
    }
  }
  return taken;
}

/** Counts what was taken from the library in this edit, so that the search brings it first next time. */
export async function noteUsed(
  tx: Transaction,
  actor: Actor,
  before: ProposalDocument,
  after: ProposalDocument,
): Promise<void> {
  const old = takenIn(before);
  const counts = new Map<string, { usedId: string; sectionKind: string; count: number }>();
  for (const [id, { usedId, kind }] of takenIn(after)) {
    if (old.has(id)) continue;
    const key = `${kind}\u0000${usedId}`;
    const row = counts.get(key) ?? { usedId, sectionKind: kind, count: 0 };
    row.count += 1;
    counts.set(key, row);
  }
  if (counts.size === 0) return;
  // In one order, so that two savers never wait for each other in a circle.
  const rows = [...counts.entries()].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, row]) => row);
  await countUses(tx, rows, actor);
}
