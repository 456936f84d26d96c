import { Client } from 'pg';

/** Asks a database, over a connection of its own that is closed afterwards. */
export async function asking<T>(url: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}
