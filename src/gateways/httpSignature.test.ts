import { createHmac } from 'node:crypto';
import { contentDigest, isSignedWith, signedRequest } from './httpSignature';

const now = new Date('2026-05-04T10:00:00Z');
const door = 'http://localhost/api/v1/companies/x/card-news';
const seconds = (more: number) => new Date(now.getTime() + more * 1000);

test('the digest is that of RFC 9530 (appendix D.1, from memory)', () => {
  expect(contentDigest('{"hello": "world"}\n')).toBe(
    'sha-256=:RK/0qy18MlBSVnWgjwz6lZEWjP/lF5HF9bvEF8FabDg=:',
  );
});

test('the signature is the HMAC-SHA-256 over the base that RFC 9421, section 2.5, describes', async () => {
  const request = await signedRequest(door, '{}', 'secret', now);
  const input = request.headers.get('signature-input')!.replace(/^sig=/, '');
  const base = [
    '"@method": POST',
    '"@path": /api/v1/companies/x/card-news',
    '"content-type": application/json',
    `"content-digest": ${contentDigest('{}')}`,
    `"@signature-params": ${input}`,
  ].join('\n');
  const expected = createHmac('sha256', 'secret').update(base).digest('base64');
  expect(request.headers.get('signature')).toBe(`sig=:${expected}:`);
});

test('signed, unchanged and fresh: yes; anything else: no', async () => {
  const request = await signedRequest(door, '{"a":1}', 'secret', now);
  expect(await isSignedWith(request, '{"a":1}', 'secret', now)).toBe(true);
  expect(await isSignedWith(request, '{"a":1}', 'secret', seconds(299))).toBe(true);
  expect(await isSignedWith(request, '{"a":1}', 'secret', seconds(301))).toBe(false);
  expect(await isSignedWith(request, '{"a":1}', 'secret', seconds(-301))).toBe(false);
  expect(await isSignedWith(request, '{"a":2}', 'secret', now)).toBe(false);
  expect(await isSignedWith(request, '{"a":1}', 'other', now)).toBe(false);
  const { method, headers } = request;
  const at = (url: string) => isSignedWith({ method, url, headers }, '{"a":1}', 'secret', now);
  expect(await at(door.replace('/x/', '/y/'))).toBe(false);
  // A digest put right after the body was changed is not what was signed.
  const forged = new Headers(headers);
  forged.set('content-digest', contentDigest('{"a":2}'));
  expect(await isSignedWith({ method, url: door, headers: forged }, '{"a":2}', 'secret', now)).toBe(false);
  expect(await isSignedWith(new Request(door, { method: 'POST' }), '', 'secret', now)).toBe(false);
  const broken = new Headers(headers);
  broken.set('signature-input', 'sig=(((');
  expect(await isSignedWith({ method, url: door, headers: broken }, '{"a":1}', 'secret', now)).toBe(false);
});
