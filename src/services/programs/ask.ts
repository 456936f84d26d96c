import Type from 'typebox';
import type { Thing } from '@/model';
import { isId } from '@/model';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { check } from '../check';
import { noSuch, Problem } from '../problem';
import type { Asked, FileAnswer, Operation } from './operation';
import { operations } from './operations';

const partsOf = (path: string) => path.split('/').filter(Boolean);
const nameOf = (part: string) => /^\{(\w+)\}$/.exec(part)?.[1];
const ways = operations.map((operation) => ({ operation, parts: partsOf(operation.path) }));

/** What stands in the places of a path that have names; null: the path is another. */
function placesIn(parts: readonly string[], asked: readonly string[]): Record<string, string> | null {
  if (parts.length !== asked.length) return null;
  const places: Record<string, string> = {};
  for (const [i, part] of parts.entries()) {
    const name = nameOf(part);
    if (name !== undefined) places[name] = asked[i]!;
    else if (part !== asked[i]) return null;
  }
  return places;
}

/** What a path is of, for the sentence when there is none. */
const things: Readonly<Record<string, Thing>> = {
  agreements: 'agreement',
  batches: 'batch',
  customers: 'customer',
  files: 'picture',
  invoices: 'invoice',
  library: 'library entry',
  messages: 'attachment',
  payments: 'payment',
  proposals: 'proposal',
  webhooks: 'webhook',
};

/** The names of places that hold an identity. */
const identities = ['id', 'site'];

/**
 * The operation behind a door, and what stands in the places of its path.
 * @param path from `/api/v1` on, part by part
 * @throws Problem `method-not-taken`, `no-such-page`, `no-such-…` for what cannot be an identity
 */
export function findOperation(
  method: string,
  path: readonly string[],
): { readonly operation: Operation; readonly places: Readonly<Record<string, string>> } {
  const found = ways.flatMap(({ operation, parts }) => {
    const places = placesIn(parts, path);
    return places ? [{ operation, places, plain: parts.filter((part) => !nameOf(part)).length }] : [];
  });
  if (found.length === 0) throw noSuch('page');
  // A word of the path comes before a place of any name.
  const most = Math.max(...found.map(({ plain }) => plain));
  const here = found.filter(({ plain }) => plain === most);
  const one = here.find(({ operation }) => operation.method === method.toLowerCase());
  if (!one)
    throw new Problem(
      'method-not-taken',
      `This door takes ${here.map(({ operation }) => operation.method.toUpperCase()).join(' and ')}.`,
    );
  for (const name of identities)
    if (one.places[name] !== undefined && !isId(one.places[name])) throw noSuch(things[path[0]!] ?? 'page');
  return one;
}

const isClosed = (schema: Type.TObject) =>
  (schema as { additionalProperties?: unknown }).additionalProperties === false;

/** A parameter as its schema has it: whole numbers are numbers. */
const typed = (schema: Type.TSchema | undefined, text: string): unknown =>
  schema !== undefined && Type.IsInteger(schema) && /^-?\d{1,9}$/.test(text) ? Number(text) : text;

/**
 * Asks an operation as somebody. What stands behind `?` is checked here where the operation says all there may be; what else
 * is given, where it is used.
 * @throws Problem `not-well-formed`, `role-not-allowed`
 */
export async function askOperation(
  actor: Actor,
  operation: Operation,
  asked: Asked,
): Promise<{ readonly file: FileAnswer } | { readonly json: unknown; readonly status: 200 | 201 | 204 }> {
  // First who, then what: the acts refuse by themselves, and a test holds the two equal.
  for (const group of operation.needs) allow(actor, ...group);
  if (operation.query && !operation.openQuery && isClosed(operation.query)) {
    const { properties } = operation.query;
    check(
      operation.query,
      Object.fromEntries(
        Object.entries(asked.query).map(([name, text]) => [
          name,
          typed(Object.hasOwn(properties, name) ? properties[name] : undefined, text),
        ]),
      ),
      'What stands behind the “?”',
    );
  }
  if ('files' in operation) return { file: await operation.act(actor, asked) };
  const body = operation.body ? check(operation.body, asked.body, 'What was sent') : asked.body;
  const json = await operation.act(actor, { ...asked, body });
  if (operation.answer === null) return { json: undefined, status: 204 };
  return { json, status: operation.makes ? 201 : 200 };
}
