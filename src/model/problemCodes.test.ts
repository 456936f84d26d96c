import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { noSuch, Problem } from './problem';
import { problemCodes, things } from './problemCodes';

/** Everything the product's own source says, tests left out. */
const source = ['src', 'app']
  .flatMap((room) => readdirSync(room, { recursive: true, encoding: 'utf8' }).map((path) => join(room, path)))
  .filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.') && !path.endsWith('problemCodes.ts'))
  .map((path) => readFileSync(path, 'utf8'))
  .join('\n');

describe('codes of what is refused', () => {
  it('are all given somewhere, none is there for nothing', () => {
    const given = (code: string) =>
      source.includes(`'${code}'`) ||
      (code.startsWith('no-such-') &&
        new RegExp(`(noSuch|checkId)\\([^)]*'${code.slice(8).replaceAll('-', ' ')}'`).test(source));
    const byVariable = ['no-such-item', 'no-such-bundle'];
    expect(
      problemCodes.map(([code]) => code).filter((code) => !given(code) && !byVariable.includes(code)),
    ).toEqual([]);
  });

  it('are told to programs, with their status', () => {
    const table = readFileSync('docs/formats/problems.md', 'utf8');
    const rows = [...table.matchAll(/^\| `([a-z-]+)` *\| (\d{3}) /gm)].map(([, code, status]) => [
      code,
      Number(status),
    ]);
    expect(rows).toEqual(problemCodes);
  });

  it('say the same in code, address and sentence', () => {
    expect(noSuch('late charge').details).toEqual({
      type: 'tag:impegno.example,2026:no-such-late-charge',
      code: 'no-such-late-charge',
      title: 'Not found',
      status: 404,
      detail: 'There is no such late charge.',
    });
    expect(new Problem('busy', 'Wait.').details).toMatchObject({ code: 'busy', status: 503, title: 'Busy' });
    expect(new Set(things).size).toBe(things.length);
  });
});
