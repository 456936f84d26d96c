import { jest } from '@jest/globals';
import { ChooseInput, ProposalDocument, StartInput } from '@/model';
import { plainDocument, line } from '../../tests/support/documents';
import { check, checkId } from './check';
import { Problem, answer, respond } from './problem';

const id = '01a20fe2-776c-7659-b663-03e96f4122cf';
const refused = (act: () => unknown): Problem['details'] => {
  try {
    act();
  } catch (error) {
    if (error instanceof Problem) return error.details;
    throw error;
  }
  throw new Error('was not refused');
};

describe('a door says what is wrong, and where', () => {
  const start = { customerId: id, siteId: id, title: 'T', templateId: null };
  test.each([
    ['missing', { ...start, title: undefined }, '', 'title is missing'],
    ['empty', { ...start, title: '' }, '/title', 'must not be empty'],
    ['no identity', { ...start, siteId: 'x' }, '/siteId', 'must match format "uuid"'],
    ['unknown', { ...start, discount: '9' }, '', 'discount is not known here'],
    ['no object at all', 'hello', '', 'must be object'],
  ])('%s', (_, input, pointer, detail) => {
    const given = JSON.parse(JSON.stringify(input)) as unknown;
    const problem = refused(() => check(StartInput, given, 'The proposal'));
    expect(problem).toMatchObject({ status: 422, title: 'Something is not right' });
    expect(problem.errors).toContainEqual({ pointer, detail });
    expect(problem.detail).toContain('The proposal cannot be used:');
  });

  test('deep in a document: the place is a pointer into it', () => {
    const document = plainDocument([{ id: 's', title: 'S', entries: [line('a', '1', '1')] }]);
    const wrong = structuredClone(document) as { sections: { entries: { quantity: unknown }[] }[] };
    wrong.sections[0]!.entries[0]!.quantity = 12;
    const { errors } = refused(() => check(ProposalDocument, wrong));
    expect(errors?.map(({ pointer }) => pointer)).toContain('/sections/0/entries/0/quantity');
  });

  test.each(['1e3', '1,5', '+1', '1.', '.5', '0x10', '1234567890123', '1.1234567', 'NaN'])(
    '%s is no decimal',
    (quantity) => {
      const document = plainDocument([{ id: 's', title: 'S', entries: [line('a', quantity, '1')] }]);
      expect(refused(() => check(ProposalDocument, document)).status).toBe(422);
    },
  );

  test('choices: decimals as text, known shapes only', () => {
    const choose = (choices: unknown) => () => check(ChooseInput, { revisionId: id, choices });
    expect(choose({ extras: { a: { in: true, quantity: '2.5' } }, questions: { q: 'x' } })).not.toThrow();
    expect(refused(choose({ extras: { a: { in: 'yes' } }, questions: {} })).errors?.[0]?.pointer).toBe(
      '/choices/extras/a/in',
    );
    expect(refused(choose({ extras: { a: { in: true, quantity: 2 } }, questions: {} })).status).toBe(422);
    expect(refused(choose({ extras: { 'a b': { in: true } }, questions: {} })).status).toBe(422);
    expect(refused(choose({ questions: {} })).status).toBe(422);
  });

  test('an identity, or the sentence that it is not there', () => {
    expect(checkId(id, 'item')).toBe(id);
    for (const wrong of [undefined, null, 7, '', `${id}x`, [id]])
      expect(refused(() => checkId(wrong, 'item'))).toMatchObject({
        status: 404,
        code: 'no-such-item',
        detail: 'There is no such item.',
      });
  });
});

describe('refusals leave in one shape', () => {
  const problem = new Problem('changed-meanwhile', 'It was changed meanwhile.', { context: { by: 'Wren' } });

  test('as the answer of an action, our own mistakes too', async () => {
    expect(await answer(async () => 7)).toEqual({ ok: true, value: 7 });
    expect(await answer(() => Promise.reject(problem))).toEqual({
      ok: false,
      problem: {
        code: 'changed-meanwhile',
        type: 'tag:impegno.example,2026:changed-meanwhile',
        title: 'Changed meanwhile',
        status: 409,
        detail: 'It was changed meanwhile.',
        context: { by: 'Wren' },
      },
    });
    // Our own mistake is an answer as well, and is logged; being sent to another page is none.
    const logged = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    expect(await answer(() => Promise.reject(new Error('ours')))).toMatchObject({
      ok: false,
      problem: { status: 500, title: 'Our mistake' },
    });
    expect(logged).toHaveBeenCalledTimes(1);
    logged.mockRestore();
    const direction = Object.assign(new Error('go on'), { digest: 'NEXT_REDIRECT;/today' });
    await expect(answer(() => Promise.reject(direction))).rejects.toThrow('go on');
  });

  // RFC 9457: media type, status repeated, type and title.
  test('as problem details over HTTP; an error of ours tells nothing of itself', async () => {
    const refusal = await respond(() => Promise.reject(problem));
    expect([refusal.status, refusal.headers.get('content-type')]).toEqual([409, 'application/problem+json']);
    expect(await refusal.json()).toMatchObject({ code: 'changed-meanwhile', status: 409 });
    const log = console.error;
    const logged: unknown[] = [];
    console.error = (error: unknown) => logged.push(error);
    try {
      const broken = await respond(() => Promise.reject(new Error('password of the database')));
      expect(broken.status).toBe(500);
      expect(await broken.text()).not.toContain('password');
      expect(logged).toHaveLength(1);
    } finally {
      console.error = log;
    }
  });
});
