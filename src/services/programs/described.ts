import type { Operation } from './operation';
import { subjects } from './operation';
import { nameOfSchema, needsInWords, plainSchema } from './openapi';
import { operations } from './operations';

/* The interface as its page in the application shows it. */

/** A field of what is sent, asked or answered. */
export interface ShownField {
  readonly name: string;
  readonly kind: string;
  readonly needed: boolean;
  readonly about: string;
}

export interface ShownOperation {
  readonly id: string;
  readonly method: string;
  readonly path: string;
  readonly title: string;
  readonly note: string | null;
  readonly needs: string;
  readonly query: readonly ShownField[];
  readonly body: readonly ShownField[];
  /** What is sent, where it is no JSON. */
  readonly sends: string | null;
  readonly answer: readonly ShownField[];
  readonly gives: string | null;
}

interface Schema {
  readonly type?: string;
  readonly format?: string;
  readonly description?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly items?: Schema;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly patternProperties?: unknown;
}

/** Longer lists of what may be said are cut, and say so. */
const MOST_SAID = 6;

const said = (values: readonly unknown[]) =>
  `${values
    .slice(0, MOST_SAID)
    .map((value) => String(value))
    .join(', ')}${values.length > MOST_SAID ? ' and others' : ''}`;

/** What a schema asks for, in a few words. */
function kindOf(schema: Schema): string {
  const name = nameOfSchema(schema);
  if (name !== undefined) return name;
  if (schema.const !== undefined) return String(schema.const);
  if (schema.enum) return said(schema.enum);
  if (schema.anyOf) {
    const none = schema.anyOf.some(({ type }) => type === 'null');
    const rest = schema.anyOf.filter(({ type }) => type !== 'null');
    const words = rest.every((each) => each.const !== undefined)
      ? said(rest.map((each) => each.const))
      : [...new Set(rest.map(kindOf))].join(' or ');
    return none ? `${words} or null` : words;
  }
  if (schema.type === 'array') return `list of ${schema.items ? kindOf(schema.items) : 'anything'}`;
  if (schema.format === 'uuid') return 'identity';
  if (schema.format === 'date') return 'day';
  if (schema.format === 'email') return 'mail address';
  if (schema.format === 'emails') return 'mail addresses, with commas between';
  if (schema.format === 'date-time') return 'instant';
  if (schema.type === 'string') return 'text';
  if (schema.type === 'integer') return 'whole number';
  if (schema.type === 'boolean') return 'true or false';
  return schema.type ?? 'anything';
}

/** The object whose fields are worth a line: of a list, what it is a list of. */
const within = (schema: Schema): Schema | null =>
  nameOfSchema(schema) === undefined && schema.properties
    ? schema
    : schema.type === 'array' && schema.items
      ? within(schema.items)
      : null;

function fieldsOf(schema: Schema, before = ''): ShownField[] {
  return Object.entries(schema.properties ?? {}).flatMap(([name, of]) => [
    {
      name: `${before}${name}`,
      kind: kindOf(of),
      needed: schema.required?.includes(name) ?? false,
      about: of.description ?? '',
    },
    ...(within(of) ? fieldsOf(within(of)!, `${before}${name}.`) : []),
  ]);
}

const shown = (operation: Operation): ShownOperation => ({
  id: operation.id,
  method: operation.method.toUpperCase(),
  path: `/api/v1${operation.path}`,
  title: operation.title,
  note: operation.note ?? null,
  needs: needsInWords(operation),
  query: operation.query ? fieldsOf(plainSchema<Schema>(operation.query)) : [],
  body: operation.body ? fieldsOf(plainSchema<Schema>(operation.body)) : [],
  sends: operation.bytes ? operation.bytes.media.join(', ') : null,
  answer:
    'files' in operation || operation.answer === null ? [] : fieldsOf(plainSchema<Schema>(operation.answer)),
  gives: 'files' in operation ? operation.files.join(', ') : null,
});

/** Every operation, by what it is about. */
export const describedInterface = () =>
  subjects.map((about) => ({
    about,
    operations: operations.filter((operation) => operation.about === about).map(shown),
  }));

export type DescribedInterface = ReturnType<typeof describedInterface>;
