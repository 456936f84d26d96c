'use client';

import { Input } from 'antd';
import { Fragment, useState } from 'react';
import type { Fixed } from '@/core/number';
import { showDecimal, showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import type { LibraryItem } from '@/model';
import { unitName } from '@/model';

interface Rate {
  readonly id: string;
  readonly name: string;
  readonly normal: string;
  readonly overtime: string;
}

/** A unit cost with as many places as it has; the room of those it lacks is kept, so that decimal points align. */
function UnitAmount({ value }: { value: Fixed }) {
  const shown = showUnitAmount(value);
  const places = shown.split('.')[1]?.length ?? 0;
  return (
    <>
      {shown}
      <span aria-hidden="true" style={{ visibility: 'hidden' }}>
        {'0'.repeat(Math.max(0, 3 - places))}
      </span>
    </>
  );
}

/** The library by trade, narrowed by words. */
export function LibraryList({ items, rates }: { items: readonly LibraryItem[]; rates: readonly Rate[] }) {
  const [words, setWords] = useState('');
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = items.filter((item) => {
    const text = [item.code, item.name, item.trade, ...item.tags].join(' ').toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
  const trades = [...new Set(shown.map(({ trade }) => trade))];
  return (
    <div className="columns-2">
      <div>
        <Input
          placeholder="Find by code, name, tag"
          aria-label="Find an item"
          allowClear
          value={words}
          onChange={(event) => setWords(event.target.value)}
          style={{ maxWidth: 320, marginBottom: 12 }}
        />
        {shown.length === 0 && <p className="empty">No item fits. Take a word away.</p>}
        {shown.length > 0 && (
          <table className="table-plain">
            <thead>
              <tr>
                <th>Code</th>
                <th>Item</th>
                <th>Made of</th>
                <th>Unit</th>
                <th className="amount">Unit cost</th>
              </tr>
            </thead>
            <tbody>
              {trades.map((trade) => (
                <Fragment key={trade}>
                  <tr className="section-row">
                    <td colSpan={5}>{trade}</td>
                  </tr>
                  {shown
                    .filter((item) => item.trade === trade)
                    .map((item) => (
                      <tr key={item.id}>
                        <td className="soft">{item.code}</td>
                        <td>{item.name}</td>
                        <td className="soft">{item.costs.map(({ type }) => type).join(', ')}</td>
                        <td>{unitName(item.unit)}</td>
                        <td className="amount">
                          <UnitAmount value={itemUnitCost(item.costs)} />
                        </td>
                      </tr>
                    ))}
                </Fragment>
              ))}
            </tbody>
          </table>
        )}
      </div>
      <aside>
        <div className="panel">
          <h2>Labour rates</h2>
          <table className="table-plain">
            <thead>
              <tr>
                <th>Per hour</th>
                <th className="amount">Normal</th>
                <th className="amount">Overtime</th>
              </tr>
            </thead>
            <tbody>
              {rates.map((rate) => (
                <tr key={rate.id}>
                  <td>{rate.name}</td>
                  <td className="amount">{showDecimal(rate.normal)}</td>
                  <td className="amount">{showDecimal(rate.overtime)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </aside>
    </div>
  );
}
