import { seal, unseal } from './seal';

beforeAll(() => {
  process.env.IMPEGNO_SECRET = 'a secret of twenty letters and more';
});

test('what is sealed opens in its own place alone, unchanged, under the same secret', () => {
  const sealed = seal('https://porch.example/b/xyz', 'link 1');
  expect(sealed).not.toContain('xyz');
  expect(seal('https://porch.example/b/xyz', 'link 1')).not.toBe(sealed);
  expect(unseal(sealed, 'link 1')).toBe('https://porch.example/b/xyz');
  expect(unseal(sealed, 'link 2')).toBeNull();
  const bytes = Buffer.from(sealed, 'base64url');
  bytes[bytes.length - 1]! ^= 1;
  expect(unseal(bytes.toString('base64url'), 'link 1')).toBeNull();
  expect(unseal('short', 'link 1')).toBeNull();
  process.env.IMPEGNO_SECRET = 'another secret of twenty letters';
  expect(unseal(sealed, 'link 1')).toBeNull();
});

test('without a secret nothing is sealed badly', () => {
  delete process.env.IMPEGNO_SECRET;
  expect(() => seal('x', 'y')).toThrow('IMPEGNO_SECRET');
});
