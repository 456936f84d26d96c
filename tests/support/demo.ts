import { sql } from 'drizzle-orm';
import type { Actor } from '@/services/actor';
import { asOwner } from './owner';

/** The demo that every fresh database is filled with, as its owner sees it. */
export async function demoOwner(): Promise<Actor> {
  const { rows } = await asOwner((tx) =>
    tx.execute<{ company_id: string; id: string }>(
      sql`select company_id, id from app_user where email = 'perrin@quillbank.example'`,
    ),
  );
  const { company_id: companyId, id: userId } = rows[0]!;
  return { companyId, userId, name: 'Perrin Ashdown', role: 'owner', now: new Date() };
}
