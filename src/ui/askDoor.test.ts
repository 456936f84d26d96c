import { jest } from '@jest/globals';
import { askDoor, reach } from './askDoor';
import { PATIENCE } from './patience';

const known = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = known;
  jest.useRealTimers();
});

const answering = (answer: () => Promise<Response>) => {
  const asked: RequestInit[] = [];
  globalThis.fetch = ((_path: string, init: RequestInit) => {
    asked.push(init);
    return answer();
  }) as typeof fetch;
  return asked;
};
const said = (status: number, body: string) => () => Promise.resolve(new Response(body, { status }));

test('an answer is read; a refusal is its sentence', async () => {
  answering(said(200, '{"found":3}'));
  await expect(askDoor('/door')).resolves.toEqual({ found: 3 });
  answering(said(422, '{"detail":"This list has no column of codes."}'));
  await expect(askDoor('/door')).rejects.toThrow('This list has no column of codes.');
  answering(said(502, '<html>bad gateway</html>'));
  await expect(askDoor('/door')).rejects.toThrow('The server does not answer.');
});

test('a cut line, a head that never comes and a body that never comes are said, and the request is broken off', async () => {
  answering(() => Promise.reject(new TypeError('Failed to fetch')));
  await expect(askDoor('/door')).rejects.toThrow('The server does not answer.');

  jest.useFakeTimers();
  for (const never of [
    () => new Promise<Response>(() => undefined),
    () => Promise.resolve(new Response(new ReadableStream())),
  ]) {
    answering(never);
    let told = '';
    void askDoor('/door').catch((error: Error) => (told = error.message));
    await jest.advanceTimersByTimeAsync(PATIENCE - 1);
    expect(told).toBe('');
    await jest.advanceTimersByTimeAsync(2);
    expect(told).toBe('The server does not answer.');
  }
  const asked = answering(() => new Promise<Response>(() => undefined));
  void reach('/door').catch(() => undefined);
  await jest.advanceTimersByTimeAsync(PATIENCE);
  expect(asked[0]!.signal!.aborted).toBe(true);
});

test('what the asker breaks off is no trouble of the server', async () => {
  const stop = new AbortController();
  answering(() => Promise.reject(new DOMException('Stopped.', 'AbortError')));
  stop.abort();
  await expect(reach('/door', { signal: stop.signal })).rejects.toMatchObject({ name: 'AbortError' });
});
