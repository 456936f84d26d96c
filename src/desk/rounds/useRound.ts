import { useState } from 'react';
import type { AllowanceShown, RoundShown } from '@/data/agreements/allowances';
import { newRound } from '@/core/editing';
import type { Answer, SelectionRound } from '@/model';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import { useSubmit } from '@/ui/useSubmit';

export interface RoundActions {
  readonly save: (input: unknown) => Promise<Answer<{ roundId: string; saveNumber: number }>>;
  readonly offer: (input: unknown) => Promise<Answer<{ linkId: string }>>;
  readonly withdraw: (input: unknown) => Promise<Answer<void>>;
}

interface Kept {
  readonly roundId: string | null;
  readonly saveNumber: number;
}

export const newRoundId = (): string => crypto.randomUUID();

/** A round in work: what is typed, which save it stands on, and its ways: saved, sent to the customer, taken back. */
export function useRound(
  agreementId: string,
  allowance: AllowanceShown,
  round: RoundShown | null,
  actions: RoundActions,
) {
  const [document, setDocument] = useState<SelectionRound>(
    () => round?.document ?? newRound(allowance.description, newRoundId),
  );
  const [kept, setKept] = useState<Kept>({
    roundId: round?.id ?? null,
    saveNumber: round?.saveNumber ?? 0,
  });
  const [saved, setSaved] = useState(round?.document ?? null);
  const [link, setLink] = useState<string | null>(null);
  const { busy, refused, submit } = useSubmit();
  const readOnly = round?.state === 'signed' || allowance.settledBy !== null;
  const [first] = useState(document);
  const { done, notice } = useKeptForm(
    readOnly ? null : `round ${round?.id ?? `of ${agreementId} ${allowance.lineId}`}`,
    document,
    saved ?? first,
    setDocument,
    String(kept.saveNumber),
  );
  /** Saves what is typed now; the save it stands on then, or null where it was refused. */
  const save = async (): Promise<Kept | null> => {
    let now: Kept | null = null;
    await submit(() => actions.save({ agreementId, lineId: allowance.lineId, ...kept, round: document }), {
      then: (value) => {
        now = value;
        setKept(value);
        setSaved(document);
        done();
      },
      rereads: false,
    });
    return now;
  };
  return {
    document,
    setDocument,
    readOnly,
    notice,
    busy,
    refused,
    link,
    unsaved: saved !== document,
    save,
    offer: async () => {
      const here = saved === document && kept.roundId !== null ? kept : await save();
      if (here)
        await submit(() => actions.offer(here), {
          said: 'It is with the customer.',
          then: ({ linkId }) => setLink(linkId),
        });
    },
    withdraw: (then: () => void) => submit(() => actions.withdraw(kept), { then }),
  };
}
