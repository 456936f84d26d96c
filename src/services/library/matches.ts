import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { searchLibrary } from '@/data/library/search';
import type { LibraryItem } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check } from '../check';
import { itemOf } from '@/data/library/rows';
import { itemFor } from './withoutCost';

/** How many lines are matched in one go. */
const MOST = 40;

const MatchesInput = Type.Object(
  {
    lines: Type.Array(Type.String({ maxLength: 200 }), { maxItems: MOST }),
    section: Type.Optional(Type.String({ maxLength: 200 })),
  },
  { additionalProperties: false },
);

/** The items that fit each of some lines of words, best first; none for a line without words. */
export async function matchLines(actor: Actor, input: unknown): Promise<LibraryItem[][]> {
  allow(actor, 'propose', 'cost');
  const { lines, section } = check(MatchesInput, input, 'The list');
  return inCompany(actor, async (tx) => {
    const found: LibraryItem[][] = [];
    for (const words of lines) {
      const all =
        words.trim() === ''
          ? []
          : await searchLibrary(
              tx,
              words,
              {
                kind: 'item',
                userId: actor.userId,
                ...(section === undefined ? {} : { sectionTitle: section }),
              },
              6,
            );
      found.push(all.flatMap((one) => (one.kind === 'item' ? [itemFor(itemOf(one.row), actor)] : [])));
    }
    return found;
  });
}
