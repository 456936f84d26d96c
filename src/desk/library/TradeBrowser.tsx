'use client';

import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import type { Found } from '@/services/library/find';
import type { LibraryTrade } from '@/services/library/byTrade';
import { shortName } from '@/core/bundle';
import type { LibraryItem } from '@/model';
import { unitName } from '@/model';
import { TradeDrawing } from '@/ui/TradeDrawing';
import { askDoor } from '@/ui/askDoor';

const idOf = (found: Found) => (found.kind === 'item' ? found.item.id : found.bundle.id);
const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

function Card({
  found,
  taken,
  take,
}: {
  readonly found: Found;
  readonly taken: number;
  readonly take: () => void;
}) {
  const { name, trade, picture } = found.kind === 'item' ? found.item : found.bundle;
  return (
    <button type="button" className={`trade-card ${taken > 0 ? 'trade-taken' : ''}`} onClick={take}>
      <span className="picture-frame">
        {picture ? (
          // eslint-disable-next-line @next/next/no-img-element -- small already, and served by us
          <img src={`/api/v1/files/${picture}?small`} alt="" loading="lazy" />
        ) : (
          <TradeDrawing trade={trade} name={name} />
        )}
      </span>
      <span className="trade-name">{shortName(name)}</span>
      <span className="soft trade-unit">
        {found.kind === 'bundle'
          ? 'bundle'
          : found.item.unit === 'each'
            ? 'each'
            : `by the ${unitName(found.item.unit)}`}
        {taken > 0 && <strong> · {taken} taken</strong>}
      </span>
    </button>
  );
}

/**
 * The library as trades by trade, for a finger: pictures and names, and no costs, because the customer may sit beside.
 */
export function TradeBrowser({
  section,
  taken,
  take,
  takeAll,
}: {
  /** What is used most on such a section stands first. */
  readonly section?: string | undefined;
  /** How many of each were taken so far, by id. */
  readonly taken: Readonly<Record<string, number>>;
  readonly take: (found: Found) => void;
  /** Takes all items that are shown at once, where that is of use. */
  readonly takeAll?: (items: readonly LibraryItem[]) => void;
}) {
  const [trades, setTrades] = useState<readonly LibraryTrade[] | null>(null);
  const [trade, setTrade] = useState<string | null>(null);
  const [found, setFound] = useState<readonly Found[] | null>(null);
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    askDoor<{ trades: LibraryTrade[] }>('/api/v1/library/trades')
      .then((answer) => setTrades(answer.trades))
      .catch((error: Error) => setTrouble(error.message));
  }, []);
  useEffect(() => {
    if (trade === null) return;
    const asked = new URLSearchParams({ trade, ...(section === undefined ? {} : { section }) });
    const controller = new AbortController();
    askDoor<{ found: Found[] }>(`/api/v1/library/trades?${asked}`, { signal: controller.signal })
      .then((answer) => setFound(answer.found))
      .catch((error: Error) => error.name !== 'AbortError' && setTrouble(error.message));
    return () => controller.abort();
  }, [trade, section]);

  const go = (next: string | null) => {
    setTrade(next);
    setFound(null);
    setWords('');
  };
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const fitting = (found ?? []).filter((each) => {
    const { name, code, tags } = each.kind === 'item' ? each.item : each.bundle;
    const all = `${name} ${code} ${tags.join(' ')}`.toLowerCase();
    return wanted.every((word) => all.includes(word));
  });
  const items = fitting.flatMap((each) => (each.kind === 'item' ? [each.item] : []));
  if (trouble) return <p className="wrong">{trouble}</p>;
  if (trade === null)
    return (
      <div className="trades" aria-busy={trades === null}>
        {trades?.map((each) => (
          <button key={each.trade} type="button" className="trade-tile" onClick={() => go(each.trade)}>
            <TradeDrawing trade={each.trade} />
            <span className="trade-title">{each.trade}</span>
            <span className="soft">
              {[
                each.bundles > 0 && count(each.bundles, 'bundle'),
                each.items > 0 && count(each.items, 'item'),
              ]
                .filter(Boolean)
                .join(', ')}
            </span>
          </button>
        ))}
        {trades?.length === 0 && <p className="empty">The library is empty.</p>}
      </div>
    );
  return (
    <>
      <div className="trade-head">
        <Button type="link" size="small" onClick={() => go(null)}>
          ← All trades
        </Button>
        <h2>{trade}</h2>
        <Input
          size="small"
          className="bar-field"
          aria-label={`Find in ${trade}`}
          placeholder="Find in this trade"
          value={words}
          onChange={({ target }) => setWords(target.value)}
        />
        {takeAll && items.length > 1 && (
          <Button size="small" onClick={() => takeAll(items)}>
            Add all {items.length} items
          </Button>
        )}
      </div>
      <div className="trade-items" aria-busy={found === null}>
        {fitting.map((each) => (
          <Card key={idOf(each)} found={each} taken={taken[idOf(each)] ?? 0} take={() => take(each)} />
        ))}
        {found !== null && fitting.length === 0 && <p className="empty">Nothing in this trade fits.</p>}
      </div>
    </>
  );
}
