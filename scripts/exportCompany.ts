// npm run export -- FILE [NAME]: everything of a company in open formats, as one archive that checks itself. Without a name,
// the only company there is.
import path from 'node:path';
import { CannotGoOn } from './backup/cannotGoOn';
import { exportCompany } from './whole/export';

const [file, named] = process.argv.slice(2);
try {
  const owner = process.env.DATABASE_OWNER_URL;
  if (!owner) throw new CannotGoOn('DATABASE_OWNER_URL is not set: how whoever keeps the database logs in.');
  if (!file) throw new CannotGoOn('Name the file: npm run export -- company.tar.gz');
  const { company, rows } = await exportCompany(owner, named ?? null, file, new Date());
  const sum = Object.values(rows).reduce((all, each) => all + each, 0);
  process.stdout.write(
    `${path.resolve(file)} is made and whole: ${company.name}, ${sum} rows in ${Object.keys(rows).length} tables.\nWhoever has this file can read all of it.\n`,
  );
} catch (error) {
  process.stderr.write(`${error instanceof CannotGoOn ? error.message : (error as Error).stack}\n`);
  process.exitCode = 1;
}
