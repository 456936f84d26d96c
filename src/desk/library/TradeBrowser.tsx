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
import { idOf, useTrade } from './useTrade';

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
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    askDoor<{ trades: LibraryTrade[] }>('/api/desk/library/trades')
      .then((answer) => setTrades(answer.trades))
      .catch((error: Error) => setTrouble(error.message));
  }, []);
  const { found, rest, more, adding, trouble: lost } = useTrade(trade, section, words);

  const go = (next: string | null) => {
    setTrade(next);
    setWords('');
  };
  const items = (found ?? []).flatMap((each) => (each.kind === 'item' ? [each.item] : []));
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
            {rest > 0 ? `Add the ${items.length} items shown` : `Add all ${items.length} items`}
          </Button>
        )}
      </div>
      <div className="trade-items" aria-busy={found === null}>
        {found?.map((each) => (
          <Card key={idOf(each)} found={each} taken={taken[idOf(each)] ?? 0} take={() => take(each)} />
        ))}
        {found?.length === 0 && <p className="empty">Nothing in this trade fits.</p>}
      </div>
      {lost && <p className="wrong">{lost}</p>}
      {rest > 0 && (
        <p className="soft trade-rest">
          {rest.toLocaleString('en-US')} more in this trade.{' '}
          <Button type="link" size="small" loading={adding} onClick={more}>
            Show more
          </Button>
        </p>
      )}
    </>
  );
}
