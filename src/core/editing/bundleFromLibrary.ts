import type { Bundle, BundleMakeup, LibraryBundle, Measuring } from '@/model';
import { valueAsTyped } from './bundles';

/**
 * A bundle taken from the library, with everything in it: a later change of the library does not move the proposal.
 * @param first what was typed before its name: the value of its first input
 * @param measuring in what a bare length or area is
 */
export function bundleFromLibrary(
  library: Omit<LibraryBundle, 'internalNote'>,
  makeup: BundleMakeup,
  id: string,
  first: string | null = null,
  measuring: Measuring = 'us',
): Bundle {
  const input = library.recipe.inputs[0];
  return {
    kind: 'bundle',
    id,
    bundleId: library.id,
    edition: library.edition,
    code: library.code,
    name: library.name,
    ...(library.detail === '' ? {} : { detail: library.detail }),
    recipe: makeup.recipe,
    within: makeup.within,
    items: makeup.items,
    values:
      first !== null && input ? { [input.name]: valueAsTyped(library, input.name, first, measuring) } : {},
    ...(library.recipe.grades[0] ? { grade: library.recipe.grades[0].id } : {}),
    shows: library.shows,
    changes: {},
    added: [],
    trade: library.trade,
  };
}
