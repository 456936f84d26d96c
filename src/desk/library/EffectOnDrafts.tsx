'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { EffectOnDrafts as Effect } from '@/services/library/effects';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import { askDoor } from '@/ui/askDoor';

/** How long nobody types before it is asked again, in milliseconds. */
const REST = 500;
/** So many drafts stand open; the rest is a press away. */
const SHOWN = 8;

const signed = (text: string) =>
  isNothing(text) ? 'no change' : isBelowZero(text) ? showDecimal(text) : `+${showDecimal(text)}`;

/** The answer to what was asked last; one that comes late, behind another, is not taken. */
function useEffectOnDrafts(change: object) {
  const asked = JSON.stringify(change);
  const [got, setGot] = useState<{
    readonly asked: string;
    readonly effect?: Effect;
    readonly wrong?: string;
  }>();
  // Which drafts have it is looked up once; while somebody types, those are worked out anew.
  const known = useRef<Effect | null>(null);
  useEffect(() => {
    if (known.current?.drafts.length === 0) {
      setGot({ asked, effect: known.current });
      return;
    }
    const leave = new AbortController();
    const wait = setTimeout(() => {
      askDoor<Effect>('/api/desk/library/effects', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          ...(JSON.parse(asked) as object),
          ...(known.current ? { among: known.current.drafts.map(({ id }) => id) } : {}),
        }),
        signal: leave.signal,
      })
        .then((effect) => {
          const { current: first } = known;
          known.current ??= effect;
          setGot({ asked, effect: { ...effect, more: first?.more ?? effect.more } });
        })
        .catch((error: Error) => {
          if (!leave.signal.aborted) setGot({ asked, wrong: error.message });
        });
    }, REST);
    return () => {
      clearTimeout(wait);
      leave.abort();
    };
  }, [asked]);
  return { ...got, late: got?.asked !== asked };
}

/** The drafts that have an item or a bundle, and what each would come to with what is typed here, taken anew there. */
export function EffectOnDrafts({ change, dirty }: { readonly change: object; readonly dirty: boolean }) {
  const { effect, wrong, late } = useEffectOnDrafts(change);
  const [all, setAll] = useState(false);
  if (!effect)
    return (
      <>
        <h2>In drafts</h2>
        <p className="soft">{wrong ?? 'Looking …'}</p>
      </>
    );
  const { drafts, more } = effect;
  const shown = all ? drafts : drafts.slice(0, SHOWN);
  return (
    <div aria-busy={late}>
      <h2>In drafts</h2>
      {wrong && <p className="wrong">{wrong}</p>}
      {drafts.length === 0 ? (
        <p className="soft">No draft has it.</p>
      ) : (
        <>
          <p className="soft">
            {more ? `Of more than ${drafts.length}, those changed last. ` : ''}
            {dirty
              ? 'What each would come to with what is typed here, once it is saved and taken anew there.'
              : 'What each would come to, taken anew there.'}
            {late && ' Working it out …'}
          </p>
          <ul className="plain-list effect-list">
            {shown.map(({ id, number, title, uses, before, after, difference }) => (
              <li key={id}>
                <Link href={`/proposals/${id}`} prefetch={false}>
                  {number} {title}
                </Link>
                <div className="soft">
                  {uses > 1 && `${uses} times, `}
                  {showDecimal(before)}
                  {before !== after && ` to ${showDecimal(after)}`}, {signed(difference)}
                </div>
              </li>
            ))}
          </ul>
          {shown.length < drafts.length && (
            <Button size="small" onClick={() => setAll(true)}>
              {drafts.length - shown.length} more
            </Button>
          )}
        </>
      )}
    </div>
  );
}
