'use client';

import { Alert, Button, Modal } from 'antd';
import { produce } from 'immer';
import type { AllowanceShown, RoundShown } from '@/data/agreements/allowances';
import { picksInWords } from '@/core/allowance';
import { minorDigits, parseFixed, showDecimal } from '@/core/number';
import { unitName } from '@/model';
import type { ShowLinkAction } from '../ShowLink';
import { ShowLink } from '../ShowLink';
import { RoundEditor } from './RoundEditor';
import type { RoundActions as Acts } from './useRound';
import { newRoundId, useRound } from './useRound';

export interface RoundActions extends Acts {
  readonly showLink: ShowLinkAction;
}

/** A round of an agreement: worked on, sent to the customer, taken back; or as it was signed. */
export function RoundDialog({
  agreementId,
  allowance,
  currency,
  round,
  actions,
  close,
}: {
  readonly agreementId: string;
  readonly allowance: AllowanceShown;
  readonly currency: string;
  /** Null: a new one. */
  readonly round: RoundShown | null;
  readonly actions: RoundActions;
  readonly close: () => void;
}) {
  const work = useRound(agreementId, allowance, round, actions);
  const { busy, readOnly, refused, link } = work;
  const offered = round?.state === 'offered';
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
            {offered && (
              <Button danger loading={busy} onClick={() => void work.withdraw(close)}>
                Withdraw
              </Button>
            )}
            <Button loading={busy} disabled={!work.unsaved} onClick={() => void work.save()}>
              Save
            </Button>
            <Button type="primary" loading={busy} onClick={() => void work.offer()}>
              {offered ? 'Save and send again' : 'Let the customer choose'}
            </Button>
          </>
        )
      }
    >
      {work.notice}
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
        round={work.document}
        scale={{ quantity: parseFixed(allowance.quantity), minorDigits: minorDigits(currency) }}
        unit={unitName(allowance.unit)}
        readOnly={readOnly}
        change={(recipe) =>
          work.setDocument((before) =>
            produce(before, (draft) => {
              recipe(draft);
            }),
          )
        }
        newId={newRoundId}
      />
    </Modal>
  );
}
