import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import type Type from 'typebox';
import { memoByIdentity } from '@/core/collections/memoByIdentity';
import { MOST_RECIPIENTS, splitAddresses } from '@/core/text/recipients';
import type { Thing } from '@/model';
import { isId } from '@/model';
import { noSuch, Problem } from './problem';
import { unstorable } from './storable';

const ajv = new Ajv({ allErrors: true, strict: true, strictTypes: false, discriminator: false });
addFormats.default(ajv);
const email = addFormats.default.get('email') as RegExp;
ajv.addFormat('emails', (text: string) => {
  const parts = splitAddresses(text);
  return parts.length > 0 && parts.length <= MOST_RECIPIENTS && parts.every((part) => email.test(part));
});

const compiled = memoByIdentity((schema: Type.TSchema) => ajv.compile(schema));

function words(keyword: string, message: string | undefined, params: Record<string, unknown>): string {
  if (keyword === 'required') return `${String(params.missingProperty)} is missing`;
  if (keyword === 'additionalProperties') return `${String(params.additionalProperty)} is not known here`;
  if (keyword === 'minLength') return 'must not be empty';
  if (keyword === 'maxLength') return `has at most ${String(params.limit)} letters`;
  if (keyword === 'format' && params.format === 'email') return 'must be an email address';
  if (keyword === 'format' && params.format === 'emails')
    return `must be one to ${MOST_RECIPIENTS} email addresses, with commas between them`;
  return message ?? 'is not right';
}

/**
 * Takes what came in as an identity.
 * @throws Problem `no-such-…` for anything that cannot be one
 */
export function checkId(input: unknown, what: Thing): string {
  if (!isId(input)) throw noSuch(what);
  return input;
}

/**
 * Takes what came in as text that is not empty.
 * @throws Problem `cannot-be-stored`, `not-well-formed`
 */
export function checkText(input: unknown, most: number, what: string): string {
  if (typeof input !== 'string' || input.trim() === '' || input.length > most)
    throw new Problem('not-well-formed', `${what} is a text of 1 to ${most} letters.`);
  if (unstorable(input) !== null)
    throw new Problem('cannot-be-stored', `${what} holds text that cannot be kept.`);
  return input;
}

/**
 * Is it well-formed? Checks unknown input against its schema and returns it typed.
 * @throws Problem `cannot-be-stored`, `not-well-formed`
 */
export function check<Schema extends Type.TSchema>(
  schema: Schema,
  input: unknown,
  what = 'This',
): Type.Static<Schema> {
  const wrong = unstorable(input);
  if (wrong !== null)
    throw new Problem(
      'cannot-be-stored',
      `${what} holds text or a number that cannot be kept${wrong ? ` at ${wrong.slice(0, 200)}` : ''}.`,
      {
        errors: [{ pointer: wrong.slice(0, 200), detail: 'cannot be kept' }],
      },
    );
  const validate = compiled(schema);
  if (validate(input)) return input as Type.Static<Schema>;
  // Deepest places first: with alternatives in a schema, these say the most.
  const errors = (validate.errors ?? [])
    .filter(({ keyword }) => keyword !== 'anyOf' && keyword !== 'const')
    .sort((a, b) => b.instancePath.length - a.instancePath.length)
    .slice(0, 12)
    .map(({ instancePath, keyword, message, params }) => ({
      pointer: instancePath,
      detail: words(keyword, message, params),
    }));
  const first = errors[0];
  const place = first?.pointer ? ` at ${first.pointer}` : '';
  throw new Problem(
    'not-well-formed',
    `${what} cannot be used: ${first ? first.detail : 'it is not right'}${place}.`,
    {
      errors,
    },
  );
}
