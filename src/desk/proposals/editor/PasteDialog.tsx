'use client';

import { Alert, Button, Modal, Pagination, Radio, Select } from 'antd';
import { useEffect, useState } from 'react';
import type { AmountIs } from '@/core/editing';
import { fitsWell, lineAsTyped, ownLineAsTyped } from '@/core/editing';
import { showDecimal } from '@/core/number';
import { readPasted } from '@/core/quantity';
import type { Line, LibraryItem } from '@/model';
import { unitName } from '@/model';
import { newPartId } from './context';
import { matchLines } from '../../library/search';
import { PlainTable } from '@/ui/tables/PlainTable';

const OWN = 'own';
const SKIP = 'skip';
/** More lines than a proposal holds are no list of lines. */
const MOST = 5000;
const PER_PAGE = 50;
/** How many lines are looked up in one request. */
const CHUNK = 40;

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
  const [rows] = useState(() => readPasted(text));
  const [matches, setMatches] = useState<readonly (readonly LibraryItem[])[]>([]);
  const [picks, setPicks] = useState<Readonly<Record<number, string>>>({});
  const [amountIs, setAmountIs] = useState<AmountIs | null>(null);
  const [page, setPage] = useState(1);
  const [trouble, setTrouble] = useState<string | null>(null);
  const tooMany = rows.length > MOST;
  const done = matches.length === rows.length;
  const withAmount = rows.filter(({ price }) => price !== undefined).length;

  useEffect(() => {
    if (tooMany) return;
    const stop = new AbortController();
    const look = async () => {
      const found: LibraryItem[][] = [];
      for (let at = 0; at < rows.length; at += CHUNK) {
        const words = rows.slice(at, at + CHUNK).map((row) => row.words.slice(0, 200));
        found.push(...(await matchLines(words, sectionTitle, stop.signal)));
        setMatches([...found]);
      }
    };
    look().catch(
      () => !stop.signal.aborted && setTrouble('The library does not answer. Close this and paste again.'),
    );
    return () => stop.abort();
  }, [rows, sectionTitle, tooMany]);

  /** Matched by itself only where words and unit fit well; else it is a line of its own, with what is like it to pick. */
  const pickOf = (i: number): string =>
    picks[i] ?? matches[i]?.find((item) => fitsWell(rows[i]!, item))?.id ?? OWN;

  const finish = () => {
    try {
      add(
        rows.flatMap((typed, i): Line[] => {
          const pick = pickOf(i);
          if (pick === SKIP) return [];
          const item = matches[i]?.find(({ id }) => id === pick);
          return [
            item
              ? lineAsTyped(item, newPartId(), typed, amountIs ?? 'nothing')
              : ownLineAsTyped(typed, newPartId(), taxClass, amountIs ?? 'nothing'),
          ];
        }),
      );
      close();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const count = rows.filter((_, i) => pickOf(i) !== SKIP).length;
  const asked = withAmount > 0 && amountIs === null;
  const shown = rows.map((typed, i) => ({ typed, i })).slice((page - 1) * PER_PAGE, page * PER_PAGE);
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
          title={`A proposal holds ${MOST} lines in a section; paste fewer at once. Nothing is added.`}
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
      <PlainTable
        label="Pasted lines"
        rows={shown}
        rowKey={({ i }) => i}
        columns={[
          { key: 'words', title: 'Pasted', cell: ({ typed }) => typed.words },
          {
            key: 'quantity',
            title: 'Quantity',
            figure: true,
            cell: ({ typed }) => (
              <>
                {typed.quantity === null ? (
                  <span className="wrong">to look at</span>
                ) : (
                  showDecimal(typed.quantity)
                )}{' '}
                {typed.unit ? unitName(typed.unit) : ''}
              </>
            ),
          },
          {
            key: 'becomes',
            title: 'Becomes',
            width: '46%',
            cell: ({ typed, i }) => (
              <Select
                size="small"
                aria-label={`What “${typed.words}” becomes`}
                style={{ width: '100%' }}
                value={matches[i] === undefined ? null : pickOf(i)}
                loading={matches[i] === undefined && !tooMany}
                options={[
                  ...(matches[i] ?? []).map(({ id, code, name, unit }) => ({
                    value: id,
                    label: `${code} ${name} (${unitName(unit)})`,
                  })),
                  { value: OWN, label: 'A line of its own' },
                  { value: SKIP, label: 'Leave it out' },
                ]}
                onChange={(value: string) => setPicks((before) => ({ ...before, [i]: value }))}
              />
            ),
          },
          {
            key: 'amount',
            title: 'Amount',
            figure: true,
            cell: ({ typed }) => (typed.price === undefined ? '' : showDecimal(typed.price)),
          },
        ]}
      />
      {rows.length > PER_PAGE && (
        <Pagination
          size="small"
          current={page}
          pageSize={PER_PAGE}
          total={rows.length}
          showSizeChanger={false}
          onChange={setPage}
        />
      )}
    </Modal>
  );
}
