// npm run way-in -- EMAIL: a link to set a new password, good for an hour, for who cannot be reached by mail; with
// `--without-code` the authenticator is not asked for any more either. Who runs the machine may do this; it is noted in each
// company of the person.
import { Client } from 'pg';
import { newId } from '@/data/newId';
import { here } from '@/services/here';
import { newToken, tokenHash } from '@/services/secrets';

const owner = process.env.DATABASE_OWNER_URL;
const email = process.argv.slice(2).find((each) => !each.startsWith('--'));
const withoutCode = process.argv.includes('--without-code');
if (!owner) throw new Error('DATABASE_OWNER_URL is not set.');
if (!email) {
  process.stderr.write('Say whose: npm run way-in -- tansy@marl.example\n');
  process.exit(1);
}
const client = new Client({ connectionString: owner });
await client.connect();
try {
  await client.query('begin');
  const { rows } = await client.query<{ id: string; name: string }>(
    'select id, name from person where lower(email) = $1 for update',
    [email.toLowerCase()],
  );
  const [person] = rows;
  if (!person) {
    process.stderr.write(`Nobody signs in with ${email}.\n`);
    process.exitCode = 1;
  } else {
    const token = newToken();
    const now = new Date();
    await client.query('delete from password_link where person_id = $1', [person.id]);
    await client.query(
      `insert into password_link (token_hash, person_id, expires_at) values ($1, $2, now() + interval '1 hour')`,
      [tokenHash(token), person.id],
    );
    if (withoutCode) {
      await client.query('update person set totp = null, totp_since = null, totp_step = null where id = $1', [
        person.id,
      ]);
      await client.query('delete from recovery_code where person_id = $1', [person.id]);
    }
    const { rows: users } = await client.query<{ company_id: string; id: string }>(
      'select company_id, id from app_user where person_id = $1',
      [person.id],
    );
    for (const { company_id: companyId, id } of users)
      await client.query(
        `insert into audit (company_id, id, at, user_id, act, subject, detail) values ($1, $2, now(), null, $3, $4, $5)`,
        [companyId, newId(now), 'way in made by who runs the machine', id, JSON.stringify({ withoutCode })],
      );
    await client.query('commit');
    process.stdout.write(
      `For ${person.name}, once and within an hour:\n\n  ${here(`/password/${token}`)}\n\n${
        withoutCode ? 'No code of an authenticator is asked for any more.\n' : ''
      }`,
    );
  }
} finally {
  await client.end();
}
