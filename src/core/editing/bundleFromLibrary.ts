import type { Bundle, BundleMakeup, LibraryBundle } from '@/model';

/**
 * A bundle taken from the library, with everything in it: a later change of the library does not move the proposal.
 * @param first what was typed before its name: the value of its first input
 */
export function bundleFromLibrary(
  library: Omit<LibraryBundle, 'internalNote'>,
  makeup: BundleMakeup,
  id: string,
  first: string | null = null,
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
    values: first !== null && input ? { [input.name]: first } : {},
    ...(library.recipe.grades[0] ? { grade: library.recipe.grades[0].id } : {}),
    shows: library.shows,
    changes: {},
    added: [],
    trade: library.trade,
  };
}
