'use client';

import type { Contract } from '@/model';
import { useEffectOf } from './change/EffectStep';
import { addAmounts, moneyOf, showAmount, showDifference, showPercent, writeAmount } from '@/core/number';
import type { Figures } from '@/core/price';
import { discountsOf, perArea, perFloorArea } from '@/core/price';
import { areaShown } from '@/core/space';
import { computeSchedule } from '@/core/schedule';
import { whyTotal } from '@/core/explain';
import { Track } from '@/ui/Track';
import { useEditor, useEditorActions } from './context';
import { RangeChart } from './RangeChart';
import { useRange } from './useRange';
import { Why } from './Why';

/** How cost becomes price, margin in both forms, and the payments: always in view, always of this moment. */
export function Tally({ contract }: { contract: Contract | null }) {
  const { work, figures } = useEditor();
  const { seesCost, measuring } = useEditorActions();
  const ranged = useRange(work.document);
  const schedule = computeSchedule(work.document.schedule, figures.total, figures.minorDigits);
  const digits = figures.minorDigits;
  const money = moneyOf(digits);
  const each = perFloorArea(figures.subtotal, figures.floor, measuring);
  const inside = work.document.tax?.inside === true && !work.document.tax.exempt;
  const discounts = discountsOf(figures);
  return (
    <aside className="tally" aria-label="Tally" tabIndex={0}>
      <div className="soft">As suggested</div>
      <div
        className="tally-total"
        data-testid="total"
        // A long sum is set smaller, so that all of it is seen.
        style={
          money.show(figures.total).length > 14
            ? { fontSize: `${380 / money.show(figures.total).length}px` }
            : undefined
        }
      >
        {money.show(figures.total)}
      </div>
      <div className="soft">{work.document.currency}, including tax</div>
      <dl className="pairs">
        {seesCost ? (
          <FromCost figures={figures} />
        ) : (
          discounts !== 0n && (
            <Pair name="Prices" value={money.show(addAmounts(figures.subtotal, discounts))} />
          )
        )}
        {figures.taxInside !== 0n && <Pair name="Tax inside prices" value={money.show(figures.taxInside)} />}
        {discounts !== 0n && <Pair name="Discount" value={money.show(-discounts)} />}
        <dt className="sum">Price</dt>
        <dd className="sum">{money.show(figures.subtotal)}</dd>
        {figures.fees.map(({ fee, amount }) => (
          <Pair key={fee.id} name={fee.name} value={money.show(amount)} />
        ))}
        {figures.taxes
          .filter(({ amount }) => amount !== 0n)
          .map((tax) => (
            <Pair
              key={`${tax.taxClass}.${tax.component}`}
              name={`${inside ? 'of which ' : ''}${tax.name} ${tax.percent}\u00a0%`}
              value={money.show(tax.amount)}
            />
          ))}
        <dt className="sum">Total</dt>
        <dd className="sum">{money.show(figures.total)}</dd>
      </dl>
      <Awaited figures={figures} />
      {seesCost && <Why summary="Why this total" steps={whyTotal(work.document, figures)} />}
      <p className="tally-margin">
        {seesCost && (
          <>
            {figures.margin === null ? 'No price yet' : `Margin ${showPercent(figures.margin)} %`}
            {figures.markup !== null && ` · markup ${showPercent(figures.markup)} %`}
            <br />
            <span className="soft">Profit and overhead {money.show(figures.profit)}</span>
          </>
        )}
        {each !== null && (
          <>
            {seesCost && <br />}
            <span className="soft">
              {money.show(each)} {perArea(measuring)}, {areaShown(figures.floor!, measuring)} of floor
            </span>
          </>
        )}
      </p>
      <RangeChart document={work.document} figures={figures} {...ranged} />
      {contract ? (
        <EffectInShort contract={contract} />
      ) : (
        <>
          <h2 className="column-title">Payments</h2>
          <Track
            parts={schedule.payments.map(({ entry, amount }) => ({
              id: entry.id,
              name: entry.name,
              amount: writeAmount(amount, digits),
            }))}
          />
          <dl className="pairs">
            {schedule.payments.map(({ entry, amount }) => (
              <Pair key={entry.id} name={entry.name} value={money.show(amount)} />
            ))}
          </dl>
          {schedule.problems.map((problem) => (
            <p key={problem} className="wrong">
              {problem}
            </p>
          ))}
        </>
      )}
    </aside>
  );
}

/** From cost to the price before discounts: for who sees cost. */
function FromCost({ figures }: { readonly figures: Figures }) {
  const money = moneyOf(figures.minorDigits);
  return (
    <>
      <Pair name="Cost" value={money.show(figures.cost)} />
      {figures.loads.map(({ load, amount }) => (
        <Pair key={load.id} name={`${load.name} ${load.percent}\u00a0%`} value={money.show(amount)} />
      ))}
      {figures.allowanceFees !== 0n && (
        <Pair name="Fees of allowances" value={money.show(figures.allowanceFees)} />
      )}
      {figures.unloaded !== 0n && <Pair name="Fixed prices, rounding" value={money.show(figures.unloaded)} />}
    </>
  );
}

/** Says how many prices are still to come: until then they are not in the sum. */
function Awaited({ figures }: { readonly figures: Figures }) {
  const count = figures.sections.reduce(
    (sum, { lines }) => sum + lines.filter(({ unpriced, included }) => unpriced && included).length,
    0,
  );
  if (count === 0) return null;
  return (
    <p className="soft" role="status">
      {count === 1 ? 'One price is' : `${count} prices are`} still to come and not in this sum.
    </p>
  );
}

/** What a change order does to the contract sum. */
function EffectInShort({ contract }: { contract: Contract }) {
  const effect = useEffectOf(contract);
  if (!effect) return null;
  return (
    <>
      <h2 className="column-title">Contract sum</h2>
      <dl className="pairs">
        <Pair name="Before" value={showAmount(effect.sum.before, effect.minorDigits)} />
        <Pair name="This change" value={showDifference(effect.change, effect.minorDigits)} />
        <dt className="sum">After</dt>
        <dd className="sum">{showAmount(effect.sum.after, effect.minorDigits)}</dd>
      </dl>
    </>
  );
}

function Pair({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{value}</dd>
    </>
  );
}
