import Type from 'typebox';

/* What the inputs of acts are made of, checked at every door. */

/** A text of so many letters at most. */
export const Text = (most: number) => Type.String({ maxLength: most });
/** The same, where something must be said. */
export const Needed = (most: number) => Type.String({ minLength: 1, maxLength: most, pattern: '\\S' });

export const EntityId = Type.String({ format: 'uuid' });

/** Whether a part of an address can be an identity; anything else is not found, not an error of the database. */
export const isId = (text: unknown): text is string =>
  typeof text === 'string' && /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i.test(text);

export const EmailAddress = Type.String({ format: 'email', maxLength: 200 });
/** One to ten addresses, apart by commas, semicolons or spaces. */
export const EmailAddresses = Type.String({ format: 'emails', maxLength: 1000 });
export const IdempotencyKey = Type.String({ pattern: '^[A-Za-z0-9_-]{8,80}$' });
