import { Client } from 'pg';

/** The login of an address: whose it is, and its password. */
function loginOf(url: string): { name: string; password: string } {
  const { username, password } = new URL(url);
  return { name: decodeURIComponent(username), password: decodeURIComponent(password) };
}

const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;

/**
 * Makes what a fresh cluster lacks before a database is made, migrated or restored in it: `impegno_app`, which the tables'
 * rules speak of, and the login of the server, which owns nothing and may only become that. Safe to run again, and by two at
 * once; the password of the login is set to the address's.
 * @param ownerUrl how whoever keeps the database logs in; may make roles
 * @param serverUrl how the server logs in
 */
export async function makeRoles(ownerUrl: string, serverUrl: string): Promise<void> {
  const { name, password } = loginOf(serverUrl);
  if (name === '' || name === loginOf(ownerUrl).name)
    throw new Error('The server logs in as somebody else than the owner of the database.');
  const maintenance = new URL(ownerUrl);
  maintenance.pathname = '/postgres';
  const client = new Client({ connectionString: maintenance.toString() });
  await client.connect();
  try {
    await client.query(`select pg_advisory_lock(hashtext('impegno roles'))`);
    const there = async (role: string) =>
      (await client.query('select 1 from pg_roles where rolname = $1', [role])).rows.length > 0;
    const least = 'NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION NOBYPASSRLS NOINHERIT';
    if (!(await there('impegno_app'))) await client.query(`create role impegno_app nologin ${least}`);
    const secret = password === '' ? '' : ` password ${client.escapeLiteral(password)}`;
    await client.query(
      `${(await there(name)) ? 'alter' : 'create'} role ${quoted(name)} login ${least}${secret}`,
    );
    await client.query(`grant impegno_app to ${quoted(name)}`);
  } finally {
    await client.end();
  }
}

/** In a database: the server's login may come in, and makes no tables of its own, not even for a while. */
export async function openTo(serverUrl: string, owner: Client): Promise<void> {
  const { name } = loginOf(serverUrl);
  const { rows } = await owner.query<{ name: string }>('select current_database() as name');
  const database = quoted(rows[0]!.name);
  await owner.query(`revoke all on database ${database} from public`);
  await owner.query(`grant connect on database ${database} to ${quoted(name)}`);
}
