'use client';

import { costTypeName } from '@/core/text/names';
import { StarFilled, StarOutlined } from '@ant-design/icons';
import { Input, Segmented, Select } from 'antd';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { Fragment, useEffect, useRef, useState, useTransition } from 'react';
import type { BrowseInput, LibraryPageOf, LibraryRow } from '@/services/library/browse';
import type { DraftBehind } from '@/services/library/bulk';
import type { Fixed } from '@/core/number';
import { showDecimal, showUnitAmount } from '@/core/number';
import { itemUnitCost } from '@/core/price';
import type { Answer, Rate } from '@/model';
import { costTypes, unitName } from '@/model';
import { DraftsBehind } from './DraftsBehind';
import { asked } from '@/ui/asked';

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

type SetStar = (id: string, starred: boolean) => Promise<Answer<void>>;

function Star({
  id,
  name,
  starred,
  setStar,
}: {
  id: string;
  name: string;
  starred: boolean;
  setStar: SetStar;
}) {
  const [is, setIs] = useState(starred);
  return (
    <button
      type="button"
      className={`star ${is ? 'star-on' : ''}`}
      aria-pressed={is}
      aria-label={`Keep ${name} at hand`}
      onClick={() => {
        setIs(!is);
        void asked(setStar(id, !is)).then((answer) => !answer.ok && setIs(is));
      }}
    >
      {is ? <StarFilled aria-hidden="true" /> : <StarOutlined aria-hidden="true" />}
    </button>
  );
}

function Row({ row, setStar }: { row: LibraryRow; setStar: SetStar }) {
  if (row.kind === 'item') {
    const { id, code, name, costs, unit } = row.item;
    return (
      <tr>
        <td className="soft">{code}</td>
        <td>
          <Link href={`/library/items/${id}`} prefetch={false}>
            {name}
          </Link>
        </td>
        <td className="soft">{[...new Set(costs.map(({ type }) => type))].join(', ')}</td>
        <td>{unitName(unit)}</td>
        <td className="amount">
          <UnitAmount value={itemUnitCost(costs)} />
        </td>
        <td>
          <Star id={id} name={name} starred={row.starred} setStar={setStar} />
        </td>
      </tr>
    );
  }
  const { id, code, name, inputs, parts, grades } = row.bundle;
  return (
    <tr className="library-bundle">
      <td className="soft">{code}</td>
      <td>
        <Link href={`/library/bundles/${id}`} prefetch={false}>
          {name.replace(/\{(\w+)\}/g, (_, word: string) => word.replace(/_/g, ' '))}
        </Link>
        {grades.length > 0 && <div className="soft">{grades.join(' · ')}</div>}
      </td>
      <td className="soft" colSpan={3}>
        bundle of {parts} parts, sized by {inputs.slice(0, 4).join(', ').toLowerCase() || 'nothing'}
      </td>
      <td>
        <Star id={id} name={name} starred={row.starred} setStar={setStar} />
      </td>
    </tr>
  );
}

/** The library: found by words, narrowed by trade and kind, or looked through by trade. */
export function LibraryList({
  asked,
  found,
  rates,
  drafts,
  setStar,
}: {
  readonly asked: BrowseInput;
  readonly found: LibraryPageOf;
  readonly rates: readonly Rate[];
  readonly drafts: readonly DraftBehind[];
  readonly setStar: SetStar;
}) {
  const router = useRouter();
  const path = usePathname();
  const [words, setWords] = useState(asked.words);
  const [pending, begin] = useTransition();
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(() => () => void (timer.current && clearTimeout(timer.current)), []);

  const address = (change: Partial<BrowseInput>) => {
    const next = { ...asked, words, page: 0, ...change };
    const query = new URLSearchParams();
    if (next.words.trim() !== '') query.set('q', next.words);
    if (next.trade !== '') query.set('trade', next.trade);
    if (next.kind !== 'all') query.set('kind', next.kind);
    if (next.costType !== '') query.set('of', next.costType);
    if (next.retired) query.set('retired', '1');
    if (next.page > 0) query.set('page', String(next.page));
    return query.size > 0 ? `${path}?${query}` : path;
  };
  const go = (change: Partial<BrowseInput>) =>
    begin(() => router.replace(address(change), { scroll: false }));

  const searched = asked.words.trim() !== '';
  const trades = searched
    ? ['']
    : [...new Set(found.rows.map((row) => (row.kind === 'item' ? row.item.trade : row.bundle.trade)))].sort();
  const of = (trade: string) =>
    trade === ''
      ? found.rows
      : found.rows.filter((row) => (row.kind === 'item' ? row.item.trade : row.bundle.trade) === trade);
  return (
    <div className="columns-2">
      <div>
        <div className="library-bar">
          <Input
            placeholder="Find by code, name, tag"
            aria-label="Find in the library"
            allowClear
            value={words}
            onChange={({ target }) => {
              setWords(target.value);
              if (timer.current) clearTimeout(timer.current);
              timer.current = setTimeout(() => go({ words: target.value }), 160);
            }}
            style={{ width: 200 }}
          />
          <Segmented
            aria-label="Kind"
            value={asked.kind}
            options={[
              { value: 'all', label: 'All' },
              { value: 'item', label: 'Items' },
              { value: 'bundle', label: 'Bundles' },
            ]}
            onChange={(kind: BrowseInput['kind']) => go({ kind })}
          />
          <Select
            aria-label="Trade"
            style={{ width: 150 }}
            value={asked.trade}
            options={[
              { value: '', label: 'All trades' },
              ...found.trades.map(({ trade, items, bundles }) => ({
                value: trade,
                label: `${trade} (${items + bundles})`,
              })),
            ]}
            onChange={(trade: string) => go({ trade })}
          />
          <Select
            aria-label="Made of"
            style={{ width: 136 }}
            value={asked.costType}
            options={[
              { value: '', label: 'Any cost type' },
              ...costTypes.map((type) => ({ value: type, label: `Has ${costTypeName(type)}` })),
            ]}
            onChange={(costType: string) => go({ costType })}
          />
          <label className="soft library-retired">
            <input
              type="checkbox"
              checked={asked.retired}
              onChange={({ target }) => go({ retired: target.checked })}
            />{' '}
            retired
          </label>
        </div>
        {found.rows.length === 0 && (
          <p className="empty">{asked.retired ? 'Nothing is retired.' : 'No match. Try fewer words.'}</p>
        )}
        {found.rows.length > 0 && (
          <table className="table-plain library-table" aria-busy={pending}>
            <thead>
              <tr>
                <th>Code</th>
                <th>Name</th>
                <th>Made of</th>
                <th>Unit</th>
                <th className="amount">Unit cost</th>
                <th>
                  <span className="visually-hidden">At hand</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {trades.map((trade) => (
                <Fragment key={trade}>
                  {trade !== '' && (
                    <tr className="section-row">
                      <td colSpan={6}>{trade}</td>
                    </tr>
                  )}
                  {of(trade).map((row) => {
                    const id = row.kind === 'item' ? row.item.id : row.bundle.id;
                    return <Row key={id} row={row} setStar={setStar} />;
                  })}
                </Fragment>
              ))}
            </tbody>
          </table>
        )}
        {(found.more || asked.page > 0) && (
          <p className="library-pages">
            {asked.page > 0 && (
              <Link href={address({ page: asked.page - 1 })} prefetch={false}>
                Earlier ones
              </Link>
            )}{' '}
            {found.more &&
              (searched ? (
                <span className="soft">There are more; add a word.</span>
              ) : (
                <Link href={address({ page: asked.page + 1 })} prefetch={false}>
                  More
                </Link>
              ))}
          </p>
        )}
      </div>
      <aside className="trial-column">
        <DraftsBehind drafts={drafts} />
        <div className="panel">
          <h2>Labor rates</h2>
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
          <p className="library-pages">
            <Link href="/library/rates" prefetch={false}>
              Rates and crews
            </Link>
          </p>
        </div>
      </aside>
    </div>
  );
}
