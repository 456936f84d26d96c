'use client';

import { App, Button, Checkbox } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AllowanceShown, AllowancesShown, RoundShown } from '@/data/agreements/allowances';
import { rulesInWords } from '@/core/allowance';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import { showDay } from '@/core/text/dates';
import type { Answer } from '@/model';
import type { RoundActions } from '../rounds/RoundDialog';
import { RoundDialog } from '../rounds/RoundDialog';
import { asked } from '@/ui/asked';

export interface AllowanceActions extends RoundActions {
  readonly settle: (input: { agreementId: string; lineIds: string[] }) => Promise<Answer<{ id: string }>>;
}

const signed = (text: string) =>
  isBelowZero(text) || isNothing(text) ? showDecimal(text) : `+${showDecimal(text)}`;

/** An agreement by what was set aside: chosen, left or over, round by round; settled by a change order. */
export function AllowancesView({
  agreementId,
  allowances,
  maySell,
  actions,
}: {
  agreementId: string;
  allowances: AllowancesShown;
  maySell: boolean;
  actions: AllowanceActions;
}) {
  const router = useRouter();
  const { message } = App.useApp();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const [open, setOpen] = useState<{ allowance: AllowanceShown; round: RoundShown | null } | null>(null);
  const unsettled = allowances.each.filter(({ settledBy }) => settledBy === null);
  const settle = async () => {
    setBusy(true);
    const answer = await asked(actions.settle({ agreementId, lineIds: [...picked] }));
    if (answer.ok) router.push(`/proposals/${answer.value.id}`);
    else {
      setBusy(false);
      message.error(answer.problem.detail);
    }
  };
  return (
    <>
      <div className="choices-head">
        <h2>Allowances</h2>
        {maySell && unsettled.length > 0 && (
          <Button size="small" loading={busy} disabled={picked.length === 0} onClick={settle}>
            Settle by a change order
          </Button>
        )}
      </div>
      <table className="table-plain" aria-label="Allowances">
        <thead>
          <tr>
            <th />
            <th>For</th>
            <th className="amount">Set aside</th>
            <th className="amount">Chosen</th>
            <th className="amount">Left or over</th>
            <th className="amount">On the price</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {allowances.each.map((each) => (
            <AllowanceRows
              key={each.lineId}
              allowance={each}
              maySell={maySell}
              picked={picked.includes(each.lineId)}
              pick={(on) =>
                setPicked((before) =>
                  on ? [...before, each.lineId] : before.filter((lineId) => lineId !== each.lineId),
                )
              }
              open={(round) => setOpen({ allowance: each, round })}
            />
          ))}
          {unsettled.length > 1 && (
            <tr>
              <td />
              <td>
                <strong>All that is open</strong>
              </td>
              <td className="amount">{showDecimal(allowances.spend)}</td>
              <td className="amount">{showDecimal(allowances.chosen)}</td>
              <td className={isBelowZero(allowances.left) ? 'amount wrong' : 'amount'}>
                <strong>{showDecimal(allowances.left)}</strong>
              </td>
              <td className="amount">{signed(allowances.due)}</td>
              <td />
            </tr>
          )}
        </tbody>
      </table>
      {open && (
        <RoundDialog
          agreementId={agreementId}
          allowance={open.allowance}
          round={open.round}
          actions={actions}
          close={() => {
            setOpen(null);
            router.refresh();
          }}
        />
      )}
    </>
  );
}

const states: Readonly<Record<RoundShown['state'], string>> = {
  prepared: 'prepared',
  offered: 'with the customer',
  withdrawn: 'withdrawn',
  signed: 'signed',
};

function AllowanceRows({
  allowance,
  maySell,
  picked,
  pick,
  open,
}: {
  allowance: AllowanceShown;
  maySell: boolean;
  picked: boolean;
  pick: (on: boolean) => void;
  open: (round: RoundShown | null) => void;
}) {
  const settled = allowance.settledBy !== null;
  return (
    <>
      <tr>
        <td>
          {maySell && !settled && (
            <Checkbox
              aria-label={`Settle ${allowance.description}`}
              checked={picked}
              onChange={({ target }) => pick(target.checked)}
            />
          )}
        </td>
        <td>
          <strong>{allowance.description}</strong>
          <div className="soft">
            {settled ? `settled by change order ${allowance.settledBy}` : rulesInWords[allowance.terms.rule]}
          </div>
        </td>
        <td className="amount">{showDecimal(allowance.spend)}</td>
        <td className="amount">{isNothing(allowance.chosen) ? '' : showDecimal(allowance.chosen)}</td>
        <td className={isBelowZero(allowance.left) ? 'amount wrong' : 'amount'}>
          {showDecimal(allowance.left)}
        </td>
        <td className="amount">{settled ? '' : signed(allowance.due)}</td>
        <td className="nowrap">
          {maySell && !settled && (
            <Button size="small" type="link" onClick={() => open(null)}>
              New round
            </Button>
          )}
        </td>
      </tr>
      {allowance.rounds.map((round) => (
        <tr key={round.id} className="round-row">
          <td />
          <td>
            <button type="button" className="plain-button" onClick={() => open(round)}>
              {round.document.name}
            </button>{' '}
            <span className={round.late ? 'wrong' : 'soft'}>
              {states[round.state]}
              {round.signed
                ? ` by ${round.signed.by}, ${showDay(round.signed.on)}`
                : round.document.due
                  ? `, ${round.late ? 'was due' : 'due'} ${showDay(round.document.due)}`
                  : ''}
            </span>
          </td>
          <td />
          <td className="amount">{round.signed ? showDecimal(round.signed.chosen) : ''}</td>
          <td className="amount soft">{round.signed ? showDecimal(round.signed.left) : ''}</td>
          <td className="amount soft">
            {round.signed && !isNothing(round.signed.adjustment) ? signed(round.signed.adjustment) : ''}
          </td>
          <td />
        </tr>
      ))}
    </>
  );
}
