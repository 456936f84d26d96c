import { shortName } from '@/core/bundle';
import { bundlesOf } from '@/core/choice';
import type { Bundle, LevelChoice, OfferLevel, ProposalDocument } from '@/model';

/** What a level can leave out or, where it is a bundle, grade. */
export interface LevelPart {
  readonly id: string;
  readonly name: string;
  readonly bundle: Bundle | null;
  /** It is a section, with all in it. */
  readonly section?: true;
}

/** Everything that levels of the whole or of a section can leave out or grade, in the order it stands. */
export function partsUnder(document: ProposalDocument, sectionId: string | undefined): LevelPart[] {
  return document.sections
    .filter(({ id }) => sectionId === undefined || id === sectionId)
    .flatMap((section) => [
      ...(sectionId === undefined
        ? [{ id: section.id, name: `All of ${section.title}`, bundle: null, section: true as const }]
        : []),
      ...section.entries.map((entry): LevelPart => {
        if (entry.kind === 'line') return { id: entry.id, name: entry.description, bundle: null };
        if (entry.kind === 'question') return { id: entry.id, name: entry.prompt, bundle: null };
        return { id: entry.id, name: shortName(entry.name), bundle: entry };
      }),
      ...[...bundlesOf(section)]
        .filter((bundle) => !section.entries.includes(bundle))
        .map((bundle): LevelPart => ({ id: bundle.id, name: shortName(bundle.name), bundle })),
    ]);
}

/** A part that no level has: it is left out. */
export const LEFT_OUT = '-';

/** What stands at a level for a part: left out, a grade, or (empty) in as it is. */
export const cellOf = (level: OfferLevel, part: LevelPart): string =>
  level.without.includes(part.id) ? LEFT_OUT : (level.grades[part.id] ?? '');

/** Whether a part is not the same at every level. */
export const differs = ({ levels }: LevelChoice, { id, bundle }: LevelPart): boolean =>
  levels.some(({ without, grades }) => without.includes(id) || (bundle && grades[id] !== undefined));
