import type { Bundle, OfferLevels, ProposalDocument, LevelChoice } from '@/model';
import { shortName } from '../bundle';
import { rulingLevels } from '../price/decided';

interface Part {
  readonly id: string;
  readonly name: string;
  readonly bundle: Bundle | null;
}

/** Everything a level can leave out or grade, in the order it stands. */
function* partsOf({ sections }: ProposalDocument): Generator<Part> {
  for (const section of sections) {
    yield { id: section.id, name: section.title, bundle: null };
    for (const entry of section.entries) {
      if (entry.kind === 'question') {
        yield { id: entry.id, name: entry.prompt, bundle: null };
        for (const { lines } of entry.alternatives)
          for (const inner of lines)
            yield inner.kind === 'line'
              ? { id: inner.id, name: inner.description, bundle: null }
              : { id: inner.id, name: shortName(inner.name), bundle: inner };
      } else if (entry.kind === 'line') yield { id: entry.id, name: entry.description, bundle: null };
      else yield { id: entry.id, name: shortName(entry.name), bundle: entry };
    }
  }
}

/**
 * Levels side by side: one row for each part that differs, with its grade or whether it is in. What the levels of a section
 * decide is theirs to say, and is no row of the whole's.
 */
export function levelsSideBySide(document: ProposalDocument, tiers: LevelChoice): OfferLevels {
  const { levels } = tiers;
  const all = document.tiers ?? [];
  const rows = [...partsOf(document)].flatMap(({ id, name, bundle }) => {
    const rules = rulingLevels(all, id).includes(tiers);
    const gradedElsewhere =
      !tiers.section &&
      all.some((each) => each.section && each.levels.some(({ grades }) => grades[id] !== undefined));
    if (!rules && (bundle === null || gradedElsewhere)) return [];
    const cells = levels.map(({ without, grades }) => {
      if (rules && without.includes(id)) return null;
      const grade = bundle && (grades[id] ?? bundle.grade);
      return bundle?.recipe.grades.find((each) => each.id === grade)?.name ?? 'included';
    });
    return cells.every((cell) => cell === cells[0]) ? [] : [{ name, cells }];
  });
  return {
    id: tiers.id,
    detail: tiers.detail ?? null,
    section: tiers.section ?? null,
    recommended: tiers.recommended?.level ?? null,
    reason: tiers.recommended?.reason ?? null,
    details: levels.map(({ detail }) => detail ?? null),
    rows,
  };
}
