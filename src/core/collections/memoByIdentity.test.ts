import { memoByIdentity, memoLast } from './memoByIdentity';

test('the same object is worked out once, another one anew, and undefined is an answer too', () => {
  let worked = 0;
  const length = memoByIdentity((list: readonly number[]) => {
    worked += 1;
    return list.length === 0 ? undefined : list.length;
  });
  const list = [1, 2];
  expect([length(list), length(list), length([1, 2])]).toEqual([2, 2, 2]);
  expect(worked).toBe(2);
  const none: number[] = [];
  expect([length(none), length(none)]).toEqual([undefined, undefined]);
  expect(worked).toBe(3);
});

test('what throws is not remembered', () => {
  let worked = 0;
  const fails = memoByIdentity((_: object) => {
    worked += 1;
    throw new Error('no');
  });
  const key = {};
  expect(() => fails(key)).toThrow('no');
  expect(() => fails(key)).toThrow('no');
  expect(worked).toBe(2);
});

test('with more than the object, the last answer holds while all of it is the same', () => {
  let worked = 0;
  const times = memoLast((list: readonly number[], by: number, name?: string) => {
    worked += 1;
    return `${name ?? ''}${list.map((each) => each * by).join()}`;
  });
  const list = [1, 2];
  expect([times(list, 2), times(list, 2)]).toEqual(['2,4', '2,4']);
  expect(worked).toBe(1);
  expect([times(list, 3), times(list, 2), times(list, 2, 'x')]).toEqual(['3,6', '2,4', 'x2,4']);
  expect(worked).toBe(4);
  expect([times(list, NaN), times(list, NaN)]).toEqual(['NaN,NaN', 'NaN,NaN']);
  expect(worked).toBe(5);
});
