/*
 * A three-way merge of plain data. Two people changed the same thing from the same beginning; where both touched one
 * place, mine stands.
 */

type Plain = null | boolean | number | string | readonly Plain[] | { readonly [key: string]: Plain };

const isRecord = (value: unknown): value is Readonly<Record<string, Plain>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

interface WithId {
  readonly id: string;
}

const haveIds = (list: readonly unknown[]): list is readonly (WithId & Plain)[] =>
  list.every((one) => isRecord(one) && typeof one.id === 'string') &&
  new Set(list.map((one) => (one as WithId).id)).size === list.length;

/** Equal in content, whatever the order of keys. */
export function alike(one: unknown, other: unknown): boolean {
  if (Object.is(one, other)) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((value, i) => alike(value, other[i]));
  if (!isRecord(one) || !isRecord(other)) return false;
  const keys = Object.keys(one);
  return (
    keys.length === Object.keys(other).length &&
    keys.every((key) => Object.hasOwn(other, key) && alike(one[key], other[key]))
  );
}

/** Of lists of parts: what each of us put in, took out and moved; a part both touched is merged in turn. */
function mergeLists(
  base: readonly (WithId & Plain)[],
  mine: readonly (WithId & Plain)[],
  theirs: readonly (WithId & Plain)[],
): Plain[] {
  const byId = (list: readonly (WithId & Plain)[]) => new Map(list.map((one) => [one.id, one]));
  const [was, my, their] = [byId(base), byId(mine), byId(theirs)];
  const stays = (id: string): boolean => {
    const before = was.get(id);
    if (before === undefined) return true;
    if (!my.has(id)) return false;
    // Taken out by them: it stays only where I changed it.
    return their.has(id) || !alike(before, my.get(id));
  };
  const value = (id: string): Plain => {
    const [b, m, t] = [was.get(id), my.get(id), their.get(id)];
    if (m === undefined) return t!;
    return t === undefined ? m : (merge(b, m, t) as Plain);
  };
  const common = (list: readonly WithId[]) =>
    list.map(({ id }) => id).filter((id) => was.has(id) && my.has(id));
  // Whose order leads: mine where I moved something, else theirs.
  const iMoved = !alike(common(base), common(mine));
  const [lead, other] = iMoved ? [mine, theirs] : [theirs, mine];
  const order = lead.map(({ id }) => id).filter(stays);
  const placed = new Set(order);
  other.forEach(({ id }, i) => {
    if (placed.has(id) || !stays(id)) return;
    // Behind what it stands behind in its own list.
    let at = 0;
    for (let before = i - 1; before >= 0; before -= 1) {
      const found = order.indexOf(other[before]!.id);
      if (found >= 0) {
        at = found + 1;
        break;
      }
    }
    order.splice(at, 0, id);
    placed.add(id);
  });
  return order.map(value);
}

function merge(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (alike(mine, theirs) || alike(base, mine)) return theirs;
  if (alike(base, theirs)) return mine;
  if (isRecord(mine) && isRecord(theirs)) {
    const was = isRecord(base) ? base : {};
    const merged: Record<string, unknown> = {};
    for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
      const value = merge(was[key], mine[key], theirs[key]);
      if (value !== undefined) merged[key] = value;
    }
    return merged;
  }
  if (Array.isArray(mine) && Array.isArray(theirs) && haveIds(mine) && haveIds(theirs)) {
    const was = Array.isArray(base) && haveIds(base) ? base : [];
    return mergeLists(was, mine, theirs);
  }
  return mine;
}

/**
 * What comes of putting my changes over theirs, both made from the same base: what only they changed stays changed, what
 * only I changed is mine, and where both changed one value mine stands. Lists of parts go by the parts' ids.
 * @returns plain data, sharing what it can with its inputs
 */
export const mergeOver = <T>(base: T, mine: T, theirs: T): T => merge(base, mine, theirs) as T;
