import { useState } from 'react';
import type { Answer, SeveralField } from '@/model';
import type { SeveralLately, SeveralPreview } from '@/services/library/changeSeveral';
import { useSubmit } from '@/ui/useSubmit';
import type { SeveralTyped } from './severalDraft';
import { changeTyped, nothingTyped } from './severalDraft';

export interface SeveralActions {
  readonly preview: (input: unknown) => Promise<Answer<SeveralPreview>>;
  readonly change: (input: unknown) => Promise<Answer<{ id: string; count: number }>>;
  readonly undo: (id: string) => Promise<Answer<{ count: number; left: number }>>;
  readonly lately: () => Promise<Answer<SeveralLately>>;
}

export const many = (count: number) => `${count} ${count === 1 ? 'entry' : 'entries'}`;

/** A change of several in work: what is typed, what it would make, the making, and the changes made lately with their undo. */
export function useSeveral(
  which: object,
  taxClass: string,
  { preview: ask, change, undo, lately }: SeveralActions,
) {
  const [field, setField] = useState<SeveralField>('trade');
  const [typed, setTyped] = useState<SeveralTyped>(() => nothingTyped(taxClass));
  const [got, setGot] = useState<{ readonly asked: string; readonly preview: SeveralPreview } | null>(null);
  const [before, setBefore] = useState<SeveralLately | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const { busy, refused, setRefused, submit } = useSubmit();
  // What came of anything else that was typed is no preview of this.
  const asked = JSON.stringify({ which, field, typed });
  const preview = got?.asked === asked ? got.preview : null;
  const input = () => {
    try {
      return { which, change: changeTyped(field, typed) };
    } catch (error) {
      setRefused((error as Error).message);
      return null;
    }
  };
  const readLately = () =>
    void lately()
      .then((answer) => answer.ok && setBefore(answer.value))
      .catch(() => undefined);
  return {
    field,
    typed,
    preview,
    before,
    said,
    busy,
    refused,
    readLately,
    setField: (next: SeveralField) => {
      setField(next);
      setRefused(null);
    },
    type: (patch: Partial<SeveralTyped>) => {
      setTyped((now) => ({ ...now, ...patch }));
      setRefused(null);
    },
    look: async () => {
      const wanted = input();
      setSaid(null);
      if (wanted)
        await submit(() => ask(wanted), {
          then: (value) => setGot({ asked, preview: value }),
          rereads: false,
        });
    },
    make: async () => {
      const wanted = input();
      if (!wanted || !preview) return;
      await submit(() => change({ ...wanted, seen: preview.seen }), {
        then: ({ count }) => {
          setSaid(`${many(count)} changed.`);
          setGot(null);
          readLately();
        },
      });
    },
    takeBack: (id: string) =>
      submit(() => undo(id), {
        then: ({ count, left }) => {
          setSaid(
            `${many(count)} as before.${left > 0 ? ` ${many(left)} ${left === 1 ? 'was' : 'were'} changed since and stay${left === 1 ? 's' : ''}.` : ''}`,
          );
          setGot(null);
          readLately();
        },
      }),
  };
}
