import { useRouter } from 'next/navigation';
import type { TransitionStartFunction } from 'react';
import { useState } from 'react';
import type { ListSpec, ListState } from '@/core/lists';
import { writeListState } from '@/core/lists';

/**
 * What is asked of a list, as it stands in the address of its page. Who asks for one thing and, before it has come, for
 * another, asks for both: what was asked last is kept here until the page has it.
 *
 * @param state what the page was made with
 * @param waiting whether the page is being asked for
 */
export function useListAddress(
  spec: ListSpec,
  state: ListState,
  path: string,
  waiting: boolean,
  start: TransitionStartFunction,
) {
  const router = useRouter();
  const [asked, setAsked] = useState(state);
  const [made, setMade] = useState(state);
  if (made !== state && !waiting) {
    setMade(state);
    setAsked(state);
  }
  const addressOf = (next: Partial<ListState>): string => {
    const parameters = writeListState(spec, { ...asked, page: 1, ...next }).toString();
    return parameters === '' ? path : `${path}?${parameters}`;
  };
  const go = (next: Partial<ListState>): void => {
    setAsked({ ...asked, page: 1, ...next });
    start(() => router.push(addressOf(next), { scroll: false }));
  };
  return { asked, go, addressOf };
}
