'use client';

import { Alert, Button, Modal, Select } from 'antd';
import { useEffect, useState } from 'react';
import { lineAsTyped, ownLineAsTyped } from '@/core/editing';
import { showDecimal } from '@/core/number';
import { readPasted } from '@/core/quantity';
import type { Line, LibraryItem } from '@/model';
import { unitName } from '@/model';
import { newPartId } from './context';
import { findInLibrary } from './library';

const OWN = 'own';
const SKIP = 'skip';
const MOST = 200;

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
  const [matches, setMatches] = useState<readonly (readonly LibraryItem[])[] | null>(null);
  const [picks, setPicks] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState(false);
  const shown = rows.slice(0, MOST);

  useEffect(() => {
    const stop = new AbortController();
    const look = async () => {
      const found: LibraryItem[][] = [];
      for (const { words } of rows.slice(0, MOST)) {
        const all = words === '' ? [] : await findInLibrary(words, sectionTitle, stop.signal);
        found.push(all.flatMap((one) => (one.kind === 'item' ? [one.item] : [])).slice(0, 6));
      }
      setMatches(found);
      setPicks(found.map((items) => items[0]?.id ?? OWN));
    };
    look().catch(() => !stop.signal.aborted && setTrouble(true));
    return () => stop.abort();
  }, [rows, sectionTitle]);

  const finish = () => {
    const lines = shown.flatMap((typed, i): Line[] => {
      const pick = picks[i];
      if (pick === SKIP) return [];
      const item = matches?.[i]?.find(({ id }) => id === pick);
      return [item ? lineAsTyped(item, newPartId(), typed) : ownLineAsTyped(typed, newPartId(), taxClass)];
    });
    add(lines);
    close();
  };
  const count = picks.filter((pick) => pick !== SKIP).length;
  return (
    <Modal
      open
      width={860}
      title={`${rows.length} pasted lines`}
      onCancel={close}
      footer={
        <>
          <Button onClick={close}>Cancel</Button>
          <Button type="primary" disabled={matches === null || count === 0} onClick={finish}>
            {matches === null ? 'Looking in the library …' : `Add ${count} lines`}
          </Button>
        </>
      }
    >
      {trouble && <Alert type="error" title="The library does not answer. Close this and paste again." />}
      {rows.length > MOST && (
        <Alert type="warning" title={`Only the first ${MOST} are taken; paste the rest after them.`} />
      )}
      <table className="table-plain paste-table">
        <thead>
          <tr>
            <th>Pasted</th>
            <th className="amount">Quantity</th>
            <th>Becomes</th>
            <th className="amount">Price held</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((typed, i) => (
            <tr key={i}>
              <td>{typed.words}</td>
              <td className="amount">
                {typed.quantity === null ? (
                  <span className="wrong">to look at</span>
                ) : (
                  showDecimal(typed.quantity)
                )}{' '}
                {typed.unit ? unitName(typed.unit) : ''}
              </td>
              <td>
                <Select
                  size="small"
                  aria-label={`What “${typed.words}” becomes`}
                  style={{ width: '100%' }}
                  value={picks[i] ?? null}
                  loading={matches === null}
                  options={[
                    ...(matches?.[i] ?? []).map(({ id, code, name, unit }) => ({
                      value: id,
                      label: `${code} ${name} (${unitName(unit)})`,
                    })),
                    { value: OWN, label: 'A line of its own' },
                    { value: SKIP, label: 'Leave it out' },
                  ]}
                  onChange={(value: string) =>
                    setPicks((before) => before.map((pick, at) => (at === i ? value : pick)))
                  }
                />
              </td>
              <td className="amount">{typed.price === undefined ? '' : showDecimal(typed.price)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Modal>
  );
}
