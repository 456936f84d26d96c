import fs from 'node:fs';

test('the package, its lock and the newest entry of the changelog have one version', () => {
  const read = (file: string) => fs.readFileSync(file, 'utf8');
  const { version } = JSON.parse(read('package.json')) as { version: string };
  const lock = JSON.parse(read('package-lock.json')) as { version: string };
  expect(lock.version).toBe(version);
  expect(/^## (\S+?)[,\s]/m.exec(read('CHANGELOG.md'))?.[1]).toBe(version);
});
