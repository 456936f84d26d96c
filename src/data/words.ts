import type { SQL } from 'drizzle-orm';
import { and, ilike, or, sql } from 'drizzle-orm';
import type { PgColumn } from 'drizzle-orm/pg-core';

/** How many words of a search count. */
const MOST = 6;

/** Are all the words of a search there, each in one of the texts, in any case? Everything fits a search without words. */
export const hasWords = (search: string, ...texts: readonly (PgColumn | SQL)[]): SQL | undefined =>
  and(
    ...search
      .trim()
      .split(/\s+/)
      .filter(Boolean)
      .slice(0, MOST)
      .map((word) => {
        const pattern = `%${word.replace(/[\\%_]/g, '\\$&')}%`;
        return or(...texts.map((text) => ilike(text as PgColumn, pattern)));
      }),
  );

/** An address as words to search in, without the names of its fields. */
export const addressText = (address: PgColumn | SQL): SQL =>
  sql`concat_ws(' ', ${address}->>'street', ${address}->>'city', ${address}->>'region', ${address}->>'postcode')`;

/** The people of a customer as words to search in. @param of the condition that they are its own, with `p` for them */
export const peopleText = (of: SQL): SQL =>
  sql`(select string_agg(concat_ws(' ', p.name, p.role, p.email, p.phone), ' ') from customer_person p where ${of})`;
