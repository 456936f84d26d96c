import Type from 'typebox';
import { BusinessDate, EntityId } from '@/model';

/* What answers are made of. They are open to more: a program passes over what it does not know. */

/** Money, as decimal text with the digits of the currency: never a binary float. */
export const Money = Type.String({ pattern: '^-?\\d+(\\.\\d+)?$', description: 'Amount as decimal text' });
export const Id = Type.String({ ...EntityId, description: 'Identity (UUID)' });
export const Day = BusinessDate;
export const Instant = Type.String({ format: 'date-time', description: 'Instant, UTC' });
export const Words = Type.String();
export const Count = Type.Integer({ minimum: 0 });
export const orNull = <Schema extends Type.TSchema>(schema: Schema) => Type.Union([schema, Type.Null()]);

/** What was made, or changed. */
export const Made = Type.Object({ id: Id });
