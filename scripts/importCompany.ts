// npm run import -- FILE: an archive of a company into an empty installation. Nobody has a password here yet: npm run way-in.
import { CannotGoOn } from './backup/cannotGoOn';
import { importCompany } from './whole/import';

const [file] = process.argv.slice(2);
try {
  const owner = process.env.DATABASE_OWNER_URL;
  if (!owner) throw new CannotGoOn('DATABASE_OWNER_URL is not set: how whoever keeps the database logs in.');
  if (!file) throw new CannotGoOn('Name the file: npm run import -- company.tar.gz');
  const { company, rows } = await importCompany(owner, file);
  const sum = Object.values(rows).reduce((all, each) => all + each, 0);
  process.stdout.write(
    `${company.name} is here: ${sum} rows in ${Object.keys(rows).length} tables.\nNobody has a password here yet: npm run way-in -- EMAIL makes a link to set one.\n`,
  );
} catch (error) {
  process.stderr.write(`${error instanceof CannotGoOn ? error.message : (error as Error).stack}\n`);
  process.exitCode = 1;
}
