// npm run letters: reads what the simulated post keeps of letters about signing in, from the demo's database, or with
// `-- --empty` from that of one's own company.
import { spawnSync } from 'node:child_process';
import { root } from './cluster.mjs';
import {
  addressesOf,
  databaseUrl,
  ensurePackages,
  ensurePostgres,
  releaseCluster,
  startCluster,
} from './machine.mjs';

ensurePackages();
let owner = process.env.DATABASE_OWNER_URL;
const own = !owner;
if (own) {
  ensurePostgres();
  const { url } = startCluster();
  owner = databaseUrl(url, process.argv.includes('--empty') ? 'impegno_own' : 'impegno');
}
const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/letters.ts'], {
  cwd: root,
  env: { ...process.env, ...addressesOf(owner) },
  stdio: 'inherit',
});
if (own) releaseCluster();
process.exit(status ?? 1);
