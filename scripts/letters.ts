// npm run letters: the letters about signing in that the simulated post keeps, newest first. They are nobody's of a company
// and sealed; whoever runs the machine has the database and the secret to read them.
import { Client } from 'pg';
import { unseal } from '@/services/seal';

const owner = process.env.DATABASE_OWNER_URL;
if (!owner) throw new Error('DATABASE_OWNER_URL is not set.');
const client = new Client({ connectionString: owner });
await client.connect();
try {
  const { rows } = await client.query<{
    id: string;
    to_address: string;
    subject: string;
    sealed: string;
    at: Date;
  }>('select id, to_address, subject, sealed, at from account_letter order by at desc, id desc limit 20');
  if (rows.length === 0) process.stdout.write('No letter was sent.\n');
  for (const { id, to_address: to, subject, sealed, at } of rows)
    process.stdout.write(
      `${at.toISOString()}  to ${to}: ${subject}\n\n${unseal(sealed, id) ?? '(sealed with another secret)'}\n\n---\n\n`,
    );
} finally {
  await client.end();
}
