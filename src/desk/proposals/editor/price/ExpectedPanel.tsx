'use client';

import { PlainTable } from '@/ui/tables/PlainTable';
import { PriceMoves } from './PriceMoves';
import { App, Button } from 'antd';
import { useState } from 'react';
import { moneyOf, showDifference } from '@/core/number';
import type { Shaped } from '@/core/shaping';
import { expectedOutcome, reweighted } from '@/core/shaping';
import { useEditor } from '../context';
import { usePut } from './put';

/** What the expected quantities would bring, and the same total with other weights; a preview until it is set. */
export function ExpectedPanel() {
  const { work, figures, readOnly } = useEditor();
  const { message } = App.useApp();
  const put = usePut();
  const [offer, setOffer] = useState<{ readonly of: unknown; readonly shaped: Shaped } | string | null>(null);
  const { document } = work;
  const found = expectedOutcome(document);
  const money = moneyOf(figures.minorDigits);
  const look = () => {
    try {
      setOffer({ of: document, shaped: reweighted(document) });
    } catch (error) {
      setOffer((error as Error).message);
    }
  };
  // What was worked out of another state of the proposal is not on offer any more.
  const shaped = offer !== null && typeof offer === 'object' && offer.of === document ? offer.shaped : null;
  const after = shaped && expectedOutcome(shaped.document);
  return (
    <section className="shape" aria-label="Expected quantities">
      <h2>If other quantities are measured</h2>
      {!found ? (
        <p className="soft">
          Show the column Expected on the sheet and type what you think will be measured in the end; the
          customer never sees it.
        </p>
      ) : (
        <>
          <PlainTable
            label="Offered and expected"
            rows={[
              { name: 'As offered', ...found.offered },
              {
                name: `As expected, ${found.lines} line${found.lines > 1 ? 's' : ''} otherwise`,
                ...found.expected,
              },
              ...(after ? [{ name: 'As expected, with the new weights', ...after.expected }] : []),
            ]}
            rowKey={({ name }) => name}
            columns={[
              { key: 'name', title: '', cell: ({ name }) => name },
              {
                key: 'revenue',
                title: 'Price before tax',
                figure: true,
                cell: ({ revenue }) => money.show(revenue),
              },
              { key: 'cost', title: 'Cost', figure: true, cell: ({ cost }) => money.show(cost) },
              { key: 'profit', title: 'Profit', figure: true, cell: ({ profit }) => money.show(profit) },
            ]}
          />
          {typeof offer === 'string' && <p className="wrong">{offer}</p>}
          {shaped && after && (
            <>
              <p role="status">
                {shaped.missing === 0n ? 'The offered total stays at' : 'The offered total comes to'}{' '}
                <strong>{money.show(shaped.figures.total)}</strong>
                {shaped.missing === 0n
                  ? ''
                  : `, ${money.show(shaped.missing)} off what it is: no unit price meets it nearer`}
                ;{' '}
                {showDifference(
                  (after.expected.profit - found.expected.profit) as typeof figures.total,
                  figures.minorDigits,
                )}{' '}
                of profit if you are right.
              </p>
              <div className="shape-moves" role="region" aria-label="Prices that move" tabIndex={0}>
                <PriceMoves moves={shaped.moves} />
              </div>
            </>
          )}
          {!readOnly &&
            (shaped ? (
              <Button
                type="primary"
                onClick={() => {
                  put(shaped.document);
                  setOffer(null);
                  message.success(`${shaped.moves.length} prices are set. One undo takes them back.`);
                }}
              >
                Set these prices
              </Button>
            ) : (
              <Button onClick={look}>Weigh the lines anew</Button>
            ))}
        </>
      )}
    </section>
  );
}
