import fs from 'node:fs';
import path from 'node:path';
import { jest } from '@jest/globals';
import { asked } from './asked';
import { PATIENCE } from './patience';

afterEach(() => jest.useRealTimers());

test('an answer is an answer, a refusal too', async () => {
  await expect(asked(Promise.resolve({ ok: true as const, value: 3 }))).resolves.toEqual({
    ok: true,
    value: 3,
  });
});

test('no answer: at once where the line is cut, after a while where the server hangs; nothing is claimed', async () => {
  const said = { ok: false, problem: { status: 0, detail: expect.stringContaining('It may have arrived') } };
  await expect(asked(Promise.reject(new TypeError('Failed to fetch')))).resolves.toMatchObject(said);
  jest.useFakeTimers();
  let told: unknown = null;
  void asked(new Promise<never>(() => undefined)).then((answer) => (told = answer));
  await jest.advanceTimersByTimeAsync(PATIENCE - 1);
  expect(told).toBeNull();
  await jest.advanceTimersByTimeAsync(1);
  expect(told).toMatchObject(said);
});

test('being sent to another page is no failure', async () => {
  const away = Object.assign(new Error('NEXT_REDIRECT'), { digest: 'NEXT_REDIRECT;replace;/;307;' });
  await expect(asked(Promise.reject(away))).rejects.toBe(away);
});

test('no act of a screen is waited for outside', () => {
  const files = fs
    .readdirSync('src/desk', { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.tsx'));
  expect(files.length).toBeGreaterThan(50);
  const bare = files.filter((name) =>
    /(await|void)\s+actions\.[\w.]+\(/.test(fs.readFileSync(path.join('src/desk', name), 'utf8')),
  );
  expect(bare).toEqual([]);
});
