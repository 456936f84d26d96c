import { Problem } from './problem';

/** Values as they compare: 10 and 10.00 are the same amount. */
const plain = (value: unknown): string =>
  typeof value === 'string' && /^-?\d+\.\d+$/.test(value)
    ? value.replace(/0+$/, '').replace(/\.$/, '')
    : JSON.stringify(value ?? null).replace(/^"|"$/g, '');

/**
 * What came under a key before is the same as what comes now; under one key, something else is a conflict and no repeat.
 * @param known what is stored, `given` what came, both by the same names
 * @throws Problem `key-used`
 */
export function refuseOtherUnderKey<T extends object>(
  known: T,
  given: { readonly [K in keyof T]?: unknown },
): void {
  for (const [name, value] of Object.entries(given))
    if (plain((known as Record<string, unknown>)[name]) !== plain(value))
      throw new Problem(
        'key-used',
        'Something else came under this idempotency key before. Nothing was recorded; send it under a key of its own.',
        { errors: [{ pointer: `/${name}`, detail: 'is not what came before' }] },
      );
}
