'use client';

import { Button, Checkbox } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AllowanceShown, AllowancesShown, RoundShown } from '@/data/agreements/allowances';
import { rulesInWords } from '@/core/allowance';
import { isBelowZero, isNothing, showDecimal } from '@/core/number';
import { showDay } from '@/core/text/dates';
import type { Answer } from '@/model';
import type { RoundActions } from '../rounds/RoundDialog';
import { RoundDialog } from '../rounds/RoundDialog';
import type { PlainColumn } from '@/ui/tables/PlainTable';
import { PlainTable } from '@/ui/tables/PlainTable';
import { useSubmit } from '@/ui/useSubmit';

export interface AllowanceActions extends RoundActions {
  readonly settle: (input: { agreementId: string; lineIds: string[] }) => Promise<Answer<{ id: string }>>;
}

const signed = (text: string) =>
  isBelowZero(text) || isNothing(text) ? showDecimal(text) : `+${showDecimal(text)}`;

/** An agreement by what was set aside: chosen, left or over, round by round; settled by a change order. */
export function AllowancesView({
  agreementId,
  currency,
  allowances,
  maySell,
  actions,
}: {
  agreementId: string;
  currency: string;
  allowances: AllowancesShown;
  maySell: boolean;
  actions: AllowanceActions;
}) {
  const router = useRouter();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const { busy, submit } = useSubmit({ tells: true });
  const [open, setOpen] = useState<{ allowance: AllowanceShown; round: RoundShown | null } | null>(null);
  const unsettled = allowances.each.filter(({ settledBy }) => settledBy === null);
  const settle = () =>
    submit(() => actions.settle({ agreementId, lineIds: [...picked] }), {
      to: ({ id }) => `/proposals/${id}`,
    });
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
      <PlainTable
        label="Allowances"
        rows={allowances.each.flatMap((of) => [
          { of, round: null },
          ...of.rounds.map((round) => ({ of, round })),
        ])}
        rowKey={({ of, round }) => round?.id ?? of.lineId}
        rowClass={({ round }) => (round === null ? '' : 'round-row')}
        columns={columnsOf({
          maySell,
          picked,
          pick: (lineId, on) =>
            setPicked((before) => (on ? [...before, lineId] : before.filter((each) => each !== lineId))),
          open: (allowance, round) => setOpen({ allowance, round }),
        })}
        foot={
          unsettled.length > 1
            ? [
                {
                  for: 'All that is open',
                  spend: showDecimal(allowances.spend),
                  chosen: showDecimal(allowances.chosen),
                  left: (
                    <span className={isBelowZero(allowances.left) ? 'wrong' : ''}>
                      {showDecimal(allowances.left)}
                    </span>
                  ),
                  due: signed(allowances.due),
                },
              ]
            : []
        }
      />
      {open && (
        <RoundDialog
          agreementId={agreementId}
          currency={currency}
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

interface Row {
  readonly of: AllowanceShown;
  /** Of the allowance, one of its selection rounds; null: the allowance itself. */
  readonly round: RoundShown | null;
}

/** Where a selection round stands, and since when or until when. */
const roundStands = ({ state, late, signed: by, document: { due } }: RoundShown) => {
  const when = by
    ? ` by ${by.by}, ${showDay(by.on)}`
    : due
      ? `, ${late ? 'was due' : 'due'} ${showDay(due)}`
      : '';
  return `${states[state]}${when}`;
};

function columnsOf({
  maySell,
  picked,
  pick,
  open,
}: {
  readonly maySell: boolean;
  readonly picked: readonly string[];
  readonly pick: (lineId: string, on: boolean) => void;
  readonly open: (allowance: AllowanceShown, round: RoundShown | null) => void;
}): PlainColumn<Row>[] {
  const mayChange = ({ of, round }: Row) => maySell && round === null && of.settledBy === null;
  return [
    {
      key: 'pick',
      title: '',
      cell: (row) =>
        mayChange(row) && (
          <Checkbox
            aria-label={`Settle ${row.of.description}`}
            checked={picked.includes(row.of.lineId)}
            onChange={({ target }) => pick(row.of.lineId, target.checked)}
          />
        ),
    },
    {
      key: 'for',
      title: 'For',
      cell: ({ of, round }) =>
        round === null ? (
          <>
            <strong>{of.description}</strong>
            <div className="soft">
              {of.settledBy === null
                ? rulesInWords[of.terms.rule]
                : `settled by change order ${of.settledBy}`}
            </div>
          </>
        ) : (
          <>
            <Button type="link" size="small" onClick={() => open(of, round)}>
              {round.document.name}
            </Button>{' '}
            <span className={round.late ? 'wrong' : 'soft'}>{roundStands(round)}</span>
          </>
        ),
    },
    {
      key: 'spend',
      title: 'Set aside',
      figure: true,
      cell: ({ of, round }) => round === null && showDecimal(of.spend),
    },
    {
      key: 'chosen',
      title: 'Chosen',
      figure: true,
      cell: ({ of, round }) => {
        if (round !== null) return round.signed && showDecimal(round.signed.chosen);
        return isNothing(of.chosen) ? '' : showDecimal(of.chosen);
      },
    },
    {
      key: 'left',
      title: 'Left or over',
      figure: true,
      cell: ({ of, round }) =>
        round === null ? (
          <span className={isBelowZero(of.left) ? 'wrong' : ''}>{showDecimal(of.left)}</span>
        ) : (
          round.signed && <span className="soft">{showDecimal(round.signed.left)}</span>
        ),
    },
    {
      key: 'due',
      title: 'On the price',
      figure: true,
      cell: ({ of, round }) =>
        round === null
          ? of.settledBy === null && signed(of.due)
          : round.signed &&
            !isNothing(round.signed.adjustment) && (
              <span className="soft">{signed(round.signed.adjustment)}</span>
            ),
    },
    {
      key: 'act',
      title: '',
      className: 'nowrap',
      cell: (row) =>
        mayChange(row) && (
          <Button size="small" type="link" onClick={() => open(row.of, null)}>
            New round
          </Button>
        ),
    },
  ];
}
