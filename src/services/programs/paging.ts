import Type from 'typebox';
import { moneyOf } from '@/core/number';
import { isId } from '@/model';
import type { Actor } from '../actor';
import type { DeskList } from '../lists/deskList';
import { readListAfter } from '../lists/deskList';
import { Problem } from '../problem';
import { orNull } from './answers';
import type { Asked } from './operation';

/** So many rows a page has where nobody says how many, and at most. */
const USUAL = 50;
const MOST = 200;

const paging = {
  after: Type.Optional(
    Type.String({ maxLength: 100, description: 'The `next` of the page before; without it, the first page' }),
  ),
  limit: Type.Optional(
    Type.Integer({ minimum: 1, maximum: MOST, description: `Rows of a page, ${USUAL} where it is left out` }),
  ),
};

/** The parameters of a list: where to go on, how many, words to look for, and its own. */
export const listQuery = <More extends Type.TProperties>(more: More) =>
  Type.Object(
    {
      ...paging,
      search: Type.Optional(Type.String({ maxLength: 200, description: 'Only what has all of these words' })),
      ...more,
    },
    { additionalProperties: false },
  );

/** A page of a list: its rows in the order they were made, and where to go on; null: nowhere. */
export const paged = <Row extends Type.TSchema>(row: Row) =>
  Type.Object({ rows: Type.Array(row), next: orNull(Type.String()) });

/**
 * A page of a list of the desk, for a program that reads on by its cursor.
 * @param shown what a row of it says; `money` writes an amount with the digits of the currency
 * @throws Problem `not-a-cursor`
 */
export async function pageOf<Raw, Row extends { readonly id: string }, Shown>(
  actor: Actor,
  list: DeskList<Raw, Row>,
  { query }: Asked,
  shown: (row: Row, money: (text: string) => string) => Shown,
): Promise<{ readonly rows: readonly Shown[]; readonly next: string | null }> {
  const { after, limit, ...filters } = query;
  if (after !== undefined && !isId(after))
    throw new Problem('not-a-cursor', '“after” is the “next” of the page before, as it was given.');
  const { rows, more, digits } = await readListAfter(actor, list, filters, {
    after: after ?? null,
    most: limit === undefined ? USUAL : Number(limit),
  });
  const { parse, write } = moneyOf(digits);
  const money = (text: string) => write(parse(text));
  return { rows: rows.map((row) => shown(row, money)), next: more ? rows.at(-1)!.id : null };
}
