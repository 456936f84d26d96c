'use client';

import { Alert, App, Button, Modal } from 'antd';
import { produce } from 'immer';
import { useState } from 'react';
import type { AllowanceShown, RoundShown } from '@/data/agreements/allowances';
import { picksInWords } from '@/core/allowance';
import { newRound } from '@/core/editing';
import { parseFixed, showDecimal } from '@/core/number';
import type { Answer, SelectionRound } from '@/model';
import { unitName } from '@/model';
import { RoundEditor } from './RoundEditor';
import { asked } from '@/ui/asked';
import { useKeptForm } from '@/ui/kept/useKeptForm';
import type { ShowLinkAction } from '../ShowLink';
import { ShowLink } from '../ShowLink';

export interface RoundActions {
  readonly save: (input: unknown) => Promise<Answer<{ roundId: string; saveNumber: number }>>;
  readonly offer: (input: unknown) => Promise<Answer<{ linkId: string }>>;
  readonly showLink: ShowLinkAction;
  readonly withdraw: (input: unknown) => Promise<Answer<void>>;
}

const newId = (): string => crypto.randomUUID();

/** A round of an agreement: worked on, sent to the customer, taken back; or as it was signed. */
export function RoundDialog({
  agreementId,
  allowance,
  round,
  actions,
  close,
}: {
  agreementId: string;
  allowance: AllowanceShown;
  /** Null: a new one. */
  round: RoundShown | null;
  actions: RoundActions;
  close: () => void;
}) {
  const { message } = App.useApp();
  const [document, setDocument] = useState<SelectionRound>(
    () => round?.document ?? newRound(allowance.description, newId),
  );
  const [kept, setKept] = useState({ roundId: round?.id ?? null, saveNumber: round?.saveNumber ?? 0 });
  const [saved, setSaved] = useState(round?.document ?? null);
  const [refused, setRefused] = useState<string | null>(null);
  const [link, setLink] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const readOnly = round?.state === 'signed' || allowance.settledBy !== null;
  const [first] = useState(document);
  const { done, notice } = useKeptForm(
    readOnly ? null : `round ${round?.id ?? `of ${agreementId} ${allowance.lineId}`}`,
    document,
    saved ?? first,
    setDocument,
    String(kept.saveNumber),
  );

  const save = async () => {
    const answer = await asked(
      actions.save({
        agreementId,
        lineId: allowance.lineId,
        ...kept,
        round: document,
      }),
    );
    if (!answer.ok) {
      setRefused(answer.problem.detail);
      return null;
    }
    setRefused(null);
    setKept(answer.value);
    setSaved(document);
    done();
    return answer.value;
  };
  const run = async (act: () => Promise<void>) => {
    setBusy(true);
    await act();
    setBusy(false);
  };
  const offer = () =>
    run(async () => {
      const here = saved === document && kept.roundId !== null ? kept : await save();
      if (!here) return;
      const answer = await asked(actions.offer(here));
      if (!answer.ok) {
        setRefused(answer.problem.detail);
        return;
      }
      setLink(answer.value.linkId);
      message.success('It is with the customer.');
    });
  const withdraw = () =>
    run(async () => {
      const answer = await asked(actions.withdraw(kept));
      if (answer.ok) close();
      else setRefused(answer.problem.detail);
    });

  return (
    <Modal
      open
      width={980}
      title={`${allowance.description}: ${showDecimal(allowance.spend)} set aside, ${showDecimal(allowance.left)} left`}
      onCancel={close}
      footer={
        readOnly ? (
          <Button onClick={close}>Close</Button>
        ) : (
          <>
            {round?.state === 'offered' && (
              <Button danger loading={busy} onClick={withdraw}>
                Withdraw
              </Button>
            )}
            <Button
              loading={busy}
              disabled={saved === document}
              onClick={() => run(async () => void (await save()))}
            >
              Save
            </Button>
            <Button type="primary" loading={busy} onClick={offer}>
              {round?.state === 'offered' ? 'Save and send again' : 'Let the customer choose'}
            </Button>
          </>
        )
      }
    >
      {notice}
      {refused && <Alert type="error" title={refused} />}
      {link && (
        <div className="send-done" role="status">
          <strong>It is with the customer.</strong>
          <ShowLink key={link} linkId={link} show={actions.showLink} />
        </div>
      )}
      {round?.signed && (
        <p>
          Signed by {round.signed.by}: {picksInWords(round.document, round.choices).join(', ')}.{' '}
          <strong>{showDecimal(round.signed.chosen)}</strong>
        </p>
      )}
      <RoundEditor
        round={document}
        scale={{
          quantity: parseFixed(allowance.quantity),
          minorDigits: allowance.spend.split('.')[1]?.length ?? 0,
        }}
        unit={unitName(allowance.unit)}
        readOnly={readOnly}
        change={(recipe) =>
          setDocument((before) =>
            produce(before, (draft) => {
              recipe(draft);
            }),
          )
        }
        newId={newId}
      />
    </Modal>
  );
}
