import { customType, numeric, timestamp, uuid } from 'drizzle-orm/pg-core';

/** Every table of a company carries it, first in its key, so that the data can be spread by company. */
export const companyId = () => uuid('company_id').notNull();

/** Identity as UUIDv7, made by the application. */
export const id = () => uuid('id').notNull();

/** An instant. */
export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** An exact decimal; read and written as text. */
export const decimal = (name: string) => numeric(name);

/** What became of a letter: it waits for its carrier, a carrier has it, it came back, or no carrier would have it. */
export const letterStates = ['waiting', 'delivered', 'returned', 'failed'] as const;

/** Bytes as they are. */
export const bytea = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'bytea' });
