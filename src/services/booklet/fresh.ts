import { inCompany } from '@/data/connection';
import type { Booklet, Visitor } from './open';
import { currentRevision, readBooklet } from './open';
import { findMarkOfProposal } from '@/data/proposals/mark';

/**
 * A mark of everything a booklet shows that can change while it lies open: when it is another, the booklet is read again.
 * One short question to the database, asked by every open booklet every few seconds.
 */
export async function bookletMark(visitor: Visitor): Promise<string> {
  return inCompany(visitor.companyId, async (tx) => {
    const { rows } = await findMarkOfProposal(tx, visitor.proposalId);
    return rows[0]?.mark ?? '';
  });
}

/** The booklet as it is now, where it is another than the mark says; null where nothing has changed. */
export async function bookletSince(
  visitor: Visitor,
  mark: string,
): Promise<{ mark: string; booklet: Booklet | null }> {
  const now = await bookletMark(visitor);
  if (now === mark) return { mark, booklet: null };
  const booklet = await inCompany(visitor.companyId, async (tx) =>
    readBooklet(tx, await currentRevision(tx, visitor)),
  );
  return { mark: now, booklet };
}
