// npm run build: the packages of the lock file and a build of these sources; nothing where both are there.
import { CannotGoOn, ensureBuild, ensurePackages } from './machine.mjs';

try {
  ensurePackages();
  ensureBuild();
} catch (error) {
  if (!(error instanceof CannotGoOn)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
