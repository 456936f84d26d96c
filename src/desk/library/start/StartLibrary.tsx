'use client';

import { Alert, Button, Checkbox } from 'antd';
import { useState } from 'react';
import { counted } from '@/core/text/counted';
import type { Answer } from '@/model';
import { LinkButton } from '@/ui/LinkButton';
import { useSubmit } from '@/ui/useSubmit';
import './startLibrary.css';

interface Trade {
  readonly trade: string;
  readonly items: number;
  readonly bundles: number;
}

/** Three ways to begin a library: one’s own list, the made-up one by trade, or nothing. */
export function StartLibrary({
  trades,
  take,
}: {
  readonly trades: readonly Trade[];
  readonly take: (input: unknown) => Promise<Answer<{ readonly items: number; readonly bundles: number }>>;
}) {
  const { busy, refused, submit } = useSubmit();
  const [picked, setPicked] = useState<readonly string[]>([]);
  const go = () =>
    submit(() => take({ trades: picked }), {
      said: ({ items, bundles }) =>
        `${counted(items, 'item')} and ${counted(bundles, 'bundle')} are in your library. Put your own costs in.`,
      to: () => '/library',
    });
  return (
    <div className="page">
      <header className="page-head">
        <h1>Begin your library</h1>
      </header>
      <section className="panel">
        <h2>Bring your own list</h2>
        <p>
          From a spreadsheet or another program: CSV or XLSX. You see what becomes of each row before it is
          taken.
        </p>
        <LinkButton primary href="/library/import">
          Bring a list
        </LinkButton>
      </section>
      <section className="panel">
        <h2>Take the starting library</h2>
        <p>
          Items and bundles by trade, so that you can see how they work.{' '}
          <strong>Its costs are made up</strong>; each says so in its note until you change it. What you do
          not take is not lost: come back here at any time.
        </p>
        {refused && <Alert type="error" title={refused} className="below" />}
        <Checkbox.Group
          className="start-trades"
          value={[...picked]}
          onChange={(next) => setPicked(next)}
          options={trades.map(({ trade, items, bundles }) => ({
            value: trade,
            label: `${trade}: ${[items > 0 && counted(items, 'item'), bundles > 0 && counted(bundles, 'bundle')].filter(Boolean).join(', ')}`,
          }))}
        />
        <div className="start-take">
          <Button type="link" onClick={() => setPicked(trades.map(({ trade }) => trade))}>
            All of them
          </Button>
          <Button disabled={picked.length === 0} loading={busy} onClick={() => void go()}>
            Take {picked.length === 0 ? 'them' : counted(picked.length, 'trade')}
          </Button>
        </div>
      </section>
      <section className="panel">
        <h2>Begin with nothing</h2>
        <p>Type a line into a proposal and keep it in the library from there, or add items one by one.</p>
        <LinkButton href="/library/items/new">Add an item</LinkButton>
      </section>
    </div>
  );
}
