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

/** The sources of what people see. */
const screens = ['src/desk', 'src/booklet', 'src/ui'].flatMap((folder) =>
  fs
    .readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\./.test(name))
    .map((name) => ({
      name: path.join(folder, name),
      text: fs.readFileSync(path.join(folder, name), 'utf8'),
    })),
);

test('no act of a screen is waited for outside', () => {
  expect(screens.length).toBeGreaterThan(100);
  const bare = screens.filter(({ text }) => /(await|void)\s+actions\s*\.[\w.]+\(/.test(text));
  expect(bare.map(({ name }) => name)).toEqual([]);
});

test('no screen asks the server in a way that may wait for ever', () => {
  const bare = screens.filter(({ text }) => /(?<![\w.])fetch\(/.test(text));
  // These two give up in time themselves.
  expect(bare.map(({ name }) => name).sort()).toEqual(['src/booklet/post.ts', 'src/ui/askDoor.ts']);
});
