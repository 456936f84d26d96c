import { questionsOf } from '@/core/choice';
import { inCompany } from '@/data/connection';
import { Problem } from '../problem';
import { readFile } from '../files/keep';
import type { Visitor } from './open';
import { currentRevision } from './open';

/** A picture for the holder of a private link: only one that the proposal they were sent shows. */
export async function visitorFile(visitor: Visitor, id: string) {
  return inCompany(visitor.companyId, async (tx) => {
    const { document } = await currentRevision(tx, visitor);
    const shown =
      (document.plans ?? []).some((plan) => plan.shown && plan.file === id) ||
      document.sections.some((section) =>
        [...questionsOf(section)].some(({ alternatives }) =>
          alternatives.some(({ picture }) => picture === id),
        ),
      );
    if (!shown) throw new Problem(404, 'There is no such picture.');
    return readFile(tx, id, false);
  });
}
