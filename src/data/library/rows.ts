import type { bundle, item } from '../schema';
import type { LibraryBundle, LibraryItem } from '@/model';

/** A stored item as the desk knows it; what is not set is not there. */
export function itemOf(row: typeof item.$inferSelect): LibraryItem {
  const { id, code, name, detail, trade, unit, costs, taxClass, costCode, tags } = row;
  return {
    id,
    code,
    name,
    detail,
    trade,
    unit,
    costs,
    ...(row.waste === null ? {} : { waste: row.waste }),
    ...(row.pack === null ? {} : { pack: row.pack }),
    ...(row.minimumCharge === null ? {} : { minimumCharge: row.minimumCharge }),
    ...(row.breaks === null ? {} : { breaks: row.breaks }),
    ...(row.loads === null ? {} : { loads: row.loads }),
    ...(row.picture === null ? {} : { picture: row.picture }),
    taxClass,
    costCode,
    tags,
  };
}

/** A stored bundle as the desk knows it. */
export function bundleOf(row: typeof bundle.$inferSelect): LibraryBundle {
  const { id, code, name, detail, trade, tags, internalNote, shows, recipe, edition } = row;
  return {
    id,
    code,
    name,
    detail,
    trade,
    tags,
    internalNote,
    shows,
    recipe,
    edition,
    ...(row.picture === null ? {} : { picture: row.picture }),
  };
}
