import { sql } from 'drizzle-orm';
import type { Actor } from '@/services/actor';
import { inRole } from './inRole';
import { asOwner } from './owner';

/** The demo that every fresh database is filled with, as its owner sees it. */
export async function demoOwner(): Promise<Actor> {
  const { rows } = await asOwner((tx) =>
    tx.execute<{ company_id: string; id: string; person_id: string }>(
      sql`select u.company_id, u.id, u.person_id from app_user u join person p on p.id = u.person_id
          where p.email = 'perrin@quillbank.example'`,
    ),
  );
  const { company_id: companyId, id: userId, person_id: personId } = rows[0]!;
  return inRole({ companyId, userId, personId, name: 'Perrin Ashdown', now: new Date() }, 'owner');
}
