// Runs a script as whoever keeps the database: that of the demo, or with `--empty` that of one's own company, or the one
// DATABASE_OWNER_URL names. npm run letters, way-in, backup, restore.
import { spawnSync } from 'node:child_process';
import { postgresBin, root } from './cluster.mjs';
import {
  CannotGoOn,
  addressesOf,
  databaseUrl,
  ensurePackages,
  ensurePostgres,
  releaseCluster,
  startCluster,
} from './machine.mjs';

const [script, ...given] = process.argv.slice(2);
const flags = given.filter((each) => each !== '--empty');

function run() {
  ensurePackages();
  let owner = process.env.DATABASE_OWNER_URL;
  const own = !owner;
  if (own) {
    ensurePostgres();
    const { url } = startCluster();
    owner = databaseUrl(url, given.includes('--empty') ? 'impegno_own' : 'impegno');
  }
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', `scripts/${script}.ts`, ...flags], {
    cwd: root,
    env: { ...process.env, ...addressesOf(owner), IMPEGNO_PG_BIN: postgresBin() ?? '' },
    stdio: 'inherit',
  });
  if (own) releaseCluster();
  return status ?? 1;
}

try {
  process.exit(run());
} catch (error) {
  if (!(error instanceof CannotGoOn)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
