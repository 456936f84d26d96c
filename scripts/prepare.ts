// Makes, migrates and (when empty) fills the database named by DATABASE_URL.
import { isEmpty } from '@/acts/accounts/createCompany';
import { closeConnection } from '@/data/connection';
import { ensureDatabase, migrateDatabase } from '@/data/migrate';
import { seedDemo } from './demo/seed';

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set.');

try {
  await ensureDatabase(url);
  await migrateDatabase(url);
  if (await isEmpty()) {
    process.stdout.write('Filling the database with the demo …\n');
    await seedDemo(new Date());
  }
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  if (code === 'ECONNREFUSED') {
    process.stderr.write(`No database answers at ${new URL(url).host}.\n`);
    process.exit(1);
  }
  process.stderr.write(`${message}\n`);
  throw error;
} finally {
  await closeConnection();
}
