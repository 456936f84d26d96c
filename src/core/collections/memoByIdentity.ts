/**
 * What a function comes to for an object, kept as long as the object lives: documents are never changed in place, so the
 * same object has the same answer. For a function of more than the object, see {@link memoLast}.
 */
export function memoByIdentity<K extends object, V>(work: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, { readonly value: V }>();
  return (key) => {
    const found = known.get(key);
    if (found) return found.value;
    const value = work(key);
    known.set(key, { value });
    return value;
  };
}

/**
 * The same for an object and what else the answer hangs on: the last answer is kept for each object, and holds while
 * everything else is the same (`Object.is`). One answer an object: what swings between two is worked out each time.
 */
export function memoLast<K extends object, Rest extends readonly unknown[], V>(
  work: (key: K, ...rest: Rest) => V,
): (key: K, ...rest: Rest) => V {
  const known = new WeakMap<K, { readonly rest: Rest; readonly value: V }>();
  return (key, ...rest) => {
    const found = known.get(key);
    if (found && found.rest.length === rest.length && found.rest.every((each, i) => Object.is(each, rest[i])))
      return found.value;
    const value = work(key, ...rest);
    known.set(key, { rest, value });
    return value;
  };
}
