import { jest } from '@jest/globals';
import { logInfo, logMistake, ofRequest } from './logLine';

const lines: string[] = [];
beforeEach(() => {
  process.env.IMPEGNO_PRODUCTION = '1';
  lines.length = 0;
  jest.spyOn(process.stdout, 'write').mockImplementation((line) => lines.push(String(line)) > 0);
});
afterEach(() => {
  delete process.env.IMPEGNO_PRODUCTION;
  jest.restoreAllMocks();
});

test('a line is JSON with when, what, which request and which process', () => {
  ofRequest.run({ id: 'r-1' }, () => logInfo('request', { status: 200 }));
  const read = JSON.parse(lines[0]!) as Record<string, unknown>;
  expect(read).toMatchObject({
    level: 'info',
    what: 'request',
    status: 200,
    request: 'r-1',
    process: process.pid,
  });
  expect(Number.isNaN(Date.parse(String(read.at)))).toBe(false);
  expect(lines[0]!.endsWith('}\n')).toBe(true);
});

test('a mistake says what and where, never with which values', () => {
  const asked = new Error('Failed query: select 1 from customer where email = $1\nparams: anna@post.example');
  const cause = Object.assign(new Error('duplicate key: (email)=(anna@post.example)'), { code: '23505' });
  logMistake(Object.assign(asked, { cause }));
  expect(lines[0]).not.toContain('anna@post');
  expect(JSON.parse(lines[0]!)).toMatchObject({ level: 'error', causedBy: '23505', name: 'Error' });
  expect((JSON.parse(lines[0]!) as { places: string[] }).places[0]).toMatch(/^at .*logLine\.test/);
  logMistake('anna@post.example');
  logMistake(null);
  expect(lines.slice(1).join('')).not.toContain('anna@post');
});
