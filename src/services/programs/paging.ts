import Type from 'typebox';
import { moneyOf } from '@/core/number';
import { isId } from '@/model';
import type { Actor } from '../actor';
import type { DeskList } from '../lists/deskList';
import { readListAfter } from '../lists/deskList';
import { Problem } from '../problem';
import { orNull } from './answers';
import type { Asked, Deep } from './operation';

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

/** Of something, what a schema describes: what a list of the desk knows beside it goes to no program. */
const described = <Row extends Type.TObject>(schema: Row, all: Type.Static<Row>): Type.Static<Row> =>
  Object.fromEntries(
    Object.keys(schema.properties).map((key) => [key, (all as Record<string, unknown>)[key]]),
  ) as Type.Static<Row>;

/**
 * A page of a list of the desk, for a program that reads on by its cursor.
 * @param schema what a row is described to say; the rest of it is left out
 * @param shown a row as it is described; `money` writes an amount with the digits of the currency
 * @throws Problem `not-a-cursor`
 */
export async function pageOf<Raw, Row extends { readonly id: string }, Schema extends Type.TObject>(
  actor: Actor,
  list: DeskList<Raw, Row>,
  { query }: Asked,
  schema: Schema,
  shown: (row: Row, money: (text: string) => string) => Deep<Type.Static<Schema>>,
): Promise<{ readonly rows: readonly Type.Static<Schema>[]; readonly next: string | null }> {
  const { after, limit, ...filters } = query;
  if (after !== undefined && !isId(after))
    throw new Problem('not-a-cursor', '“after” is the “next” of the page before, as it was given.');
  const { rows, more, digits } = await readListAfter(actor, list, filters, {
    after: after ?? null,
    most: limit === undefined ? USUAL : Number(limit),
  });
  const { parse, write } = moneyOf(digits);
  const money = (text: string) => write(parse(text));
  return {
    rows: rows.map((row) => described(schema, shown(row, money) as Type.Static<Schema>)),
    next: more ? rows.at(-1)!.id : null,
  };
}
