import { codeAt, stepOf } from '@/services/accounts/secondStep';

/*
 * RFC 6238, Appendix B: the table of test vectors for SHA-1 with the secret “12345678901234567890” (20 bytes, here in base 32
 * by RFC 4648). The table has eight digits; a code of six is the same number without its first two.
 */
const secret = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
const vectors = [
  [59, '94287082'],
  [1111111109, '07081804'],
  [1111111111, '14050471'],
  [1234567890, '89005924'],
  [2000000000, '69279037'],
  [20000000000, '65353130'],
] as const;

test.each(vectors)('the code at %d seconds is that of the table', (seconds, eight) => {
  const now = new Date(seconds * 1000);
  expect(codeAt(secret, now)).toBe(eight.slice(2));
  expect(stepOf(secret, eight.slice(2), now)).toBe(Math.floor(seconds / 30));
});

// RFC 6238, section 5.2: one step of delay is allowed; more is not.
test('a code is taken one step early or late, and no more', () => {
  const at = (seconds: number) => new Date(seconds * 1000);
  const code = codeAt(secret, at(1234567890));
  const step = Math.floor(1234567890 / 30);
  expect(stepOf(secret, code, at(1234567890 + 30))).toBe(step);
  expect(stepOf(secret, code, at(1234567890 - 30))).toBe(step);
  expect(stepOf(secret, code, at(1234567890 + 90))).toBeNull();
  expect(stepOf(secret, code, at(1234567890 - 90))).toBeNull();
  expect(stepOf(secret, '000000', at(1234567890))).toBeNull();
});
