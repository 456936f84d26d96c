'use client';

import { Alert, Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { AmountIs } from '@/core/editing';
import type { Line } from '@/model';
import { PastedTable } from './PastedTable';
import { MOST_PASTED, usePastedLines } from './usePastedLines';

const amounts: { value: AmountIs; label: string }[] = [
  { value: 'cost', label: 'what it costs us' },
  { value: 'price', label: 'the customer’s price, fixed' },
  { value: 'nothing', label: 'not to be used' },
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
  const pasted = usePastedLines(text, sectionTitle, taxClass);
  const [amountIs, setAmountIs] = useState<AmountIs | null>(null);
  const { rows, matches, tooMany, trouble, setTrouble, done, count } = pasted;
  const withAmount = rows.filter(({ price }) => price !== undefined).length;
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
      {withAmount > 0 && (
        <div className="field">
          {withAmount} {withAmount === 1 ? 'line carries an amount' : 'lines carry an amount'}. It is{' '}
          <Radio.Group
            aria-label="What the pasted amounts are"
            options={amounts}
            value={amountIs}
            onChange={({ target }) => setAmountIs(target.value as AmountIs)}
          />
        </div>
      )}
      <PastedTable pasted={pasted} />
    </Modal>
  );
}
