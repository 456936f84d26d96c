import type { ProblemDetails } from '@/model';
import { putAtFields } from './atFields';

const problem = (more: Partial<ProblemDetails>): ProblemDetails => ({
  type: 'tag:impegno.example,2026:not-well-formed',
  code: 'not-well-formed',
  title: 'Something is not right',
  status: 422,
  detail: 'The customer cannot be used: must be an email address at /email.',
  ...more,
});

/** A form of these fields; what is put at each, and which is gone to. */
function formOf(...names: (string | number)[][]) {
  const put: unknown[] = [];
  const seen: unknown[] = [];
  const form = {
    getFieldsError: () => names.map((name) => ({ name, errors: [], warnings: [] })),
    setFields: (fields: readonly unknown[]) => void put.push(...fields),
    scrollToField: (name: unknown) => void seen.push(name),
  };
  return { form: form as unknown as Parameters<typeof putAtFields>[0], put, seen };
}

test('what is wrong with a value stands at its field, and the first is gone to', () => {
  const { form, put, seen } = formOf(['email'], ['billing', 'street']);
  const all = putAtFields(
    form,
    problem({
      errors: [
        { pointer: '/billing/street', detail: 'must not be empty' },
        { pointer: '/email', detail: 'must match format "email"' },
      ],
    }),
  );
  expect(all).toBe(true);
  expect(put).toEqual([
    { name: ['billing', 'street'], errors: ['Must not be empty.'] },
    { name: ['email'], errors: ['Must match format "email".'] },
  ]);
  expect(seen).toEqual([['billing', 'street']]);
});

test('a refusal of another kind says its own sentence there', () => {
  const { form, put } = formOf(['amount']);
  const refusal = problem({
    code: 'amount-not-positive',
    detail: 'Type the amount, above zero.',
    errors: [{ pointer: '/amount', detail: 'must be above zero' }],
  });
  expect(putAtFields(form, refusal)).toBe(true);
  expect(put).toEqual([{ name: ['amount'], errors: ['Type the amount, above zero.'] }]);
});

test('what has no field here, or no place at all, is told as a whole', () => {
  const { form, put } = formOf(['email']);
  expect(putAtFields(form, problem({ errors: [{ pointer: '/lines/0', detail: 'is wrong' }] }))).toBe(false);
  expect(putAtFields(form, problem({ errors: [] }))).toBe(false);
  expect(put).toEqual([]);
});
