// npm run bench: the measurements, with a database of their own.
import { spawnSync } from 'node:child_process';
import { root } from './cluster.mjs';
import {
  addressesOf,
  databaseUrl,
  ensureBuild,
  ensurePackages,
  ensurePostgres,
  releaseCluster,
  startCluster,
} from './machine.mjs';

ensurePackages();
ensurePostgres();
ensureBuild();
const cluster = startCluster();
const url = databaseUrl(cluster.url, `impegno_bench_${process.pid}`);
const done = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'tests/bench/bench.ts', ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...addressesOf(url) },
  },
);
const { Client } = (await import('pg')).default;
const client = new Client({ connectionString: cluster.url });
await client.connect();
await client.query(`drop database if exists "${new URL(url).pathname.slice(1)}" with (force)`);
await client.end();
releaseCluster();
process.exitCode = done.status ?? 1;
