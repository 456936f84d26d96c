'use client';

import { Alert, Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { Pasted } from '@/core/copying';
import type { AmountIs } from '@/core/editing';
import type { Line } from '@/model';
import { useEditorActions } from '../context';
import { PastedTable } from './PastedTable';
import { MOST_PASTED, usePastedLines } from './usePastedLines';

const amounts: { value: AmountIs; label: string }[] = [
  { value: 'cost', label: 'what it costs us' },
  { value: 'price', label: 'the customer’s price, fixed' },
  { value: 'nothing', label: 'not to be used' },
];

/** Where a column says the cost and another the price. */
const bothAmounts: typeof amounts = [
  { value: 'both', label: 'cost and price, each as its column says' },
  { value: 'cost', label: 'the cost only: our markup makes the price' },
  { value: 'nothing', label: 'not to be used' },
];

/** What of a pasted table is not taken, in sentences. */
const notTaken = ({ unused, unknownUnits, unread }: Pasted): string[] => [
  ...(unused.length > 0 ? [`Nothing is taken from ${unused.map((name) => `“${name}”`).join(', ')}.`] : []),
  ...(unknownUnits.length > 0 ? [`Units not known here, taken as each: ${unknownUnits.join(', ')}.`] : []),
  ...(unread > 0
    ? [
        `${unread} ${unread === 1 ? 'formula over other cells is' : 'formulas over other cells are'} not read: paste values.`,
      ]
    : []),
];

/** Several lines pasted from a spreadsheet or a text list: each with the match proposed for it, to be looked through. */
export function PasteDialog({
  text,
  sectionTitle,
  taxClass,
  add,
  close,
}: {
  readonly text: string;
  readonly sectionTitle: string | undefined;
  readonly taxClass: string;
  readonly add: (lines: readonly Line[]) => void;
  readonly close: () => void;
}) {
  const { seesCost } = useEditorActions();
  const pasted = usePastedLines(text, sectionTitle, taxClass);
  const headed = pasted.pasted.amountIs;
  const left = notTaken(pasted.pasted);
  const [amountIs, setAmountIs] = useState<AmountIs | null>(seesCost ? headed : 'price');
  const { rows, matches, tooMany, trouble, setTrouble, done, count } = pasted;
  const withAmount = rows.filter(({ price, cost }) => (price ?? cost) !== undefined).length;
  const asked = withAmount > 0 && amountIs === null;
  const finish = () => {
    try {
      add(pasted.lines(amountIs ?? 'nothing'));
      close();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <Modal
      open
      width={860}
      title={`${rows.length} pasted lines`}
      onCancel={close}
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button type="primary" disabled={!done || count === 0 || asked} onClick={finish}>
            {done || tooMany
              ? `Add ${count} ${count === 1 ? 'line' : 'lines'}`
              : `Looking in the library: ${matches.length} of ${rows.length} …`}
          </Button>
        </>
      }
    >
      {trouble && <Alert type="error" title={trouble} />}
      {tooMany && (
        <Alert
          type="error"
          title={`A proposal holds ${MOST_PASTED} lines in a section; paste fewer at once. Nothing is added.`}
        />
      )}
      {left.length > 0 && <Alert type="warning" title={left.join(' ')} className="below" />}
      {withAmount > 0 && (
        <div className="field">
          {withAmount} {withAmount === 1 ? 'line carries an amount' : 'lines carry an amount'}. It is{' '}
          <Radio.Group
            aria-label="What the pasted amounts are"
            options={
              seesCost
                ? headed === 'both'
                  ? bothAmounts
                  : amounts
                : amounts.filter(({ value }) => value !== 'cost')
            }
            value={amountIs}
            onChange={({ target }) => setAmountIs(target.value as AmountIs)}
          />
        </div>
      )}
      <PastedTable pasted={pasted} />
    </Modal>
  );
}
