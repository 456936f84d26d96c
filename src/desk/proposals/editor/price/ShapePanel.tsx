'use client';

import { costTypeName } from '@/core/text/names';
import { App, Button, Checkbox, Input, Select } from 'antd';
import { useMemo, useState } from 'react';
import { resilience } from '@/core/insight';
import { isNothing, moneyOf, showPercent, writeAmount } from '@/core/number';
import type { Shaped, Spread, Target } from '@/core/shaping';
import { roundingLine, shapePrices, withPrices } from '@/core/shaping';
import type { ProposalDocument } from '@/model';
import { newPartId, useEditor } from '../context';
import { usePut } from './put';
import { parseMoneyInput, readPercent } from '@/core/quantity';
import { PriceMoves } from './PriceMoves';

const kinds: Record<Target['kind'], string> = {
  total: 'a total of',
  margin: 'a margin of',
  markup: 'a markup of',
};
const spreads: Record<Spread, string> = {
  cost: 'each line by its cost',
  price: 'each line by its price now',
  even: 'the same amount on every line',
};

/** What is typed as a target; null while it is none. */
function readTarget(kind: Target['kind'], text: string, minorDigits: number): Target | null {
  if (text.trim() === '') return null;
  return kind === 'total'
    ? { kind, amount: parseMoneyInput(text, minorDigits) }
    : { kind, percent: readPercent(text, kind === 'margin' ? 99 : 999) };
}

type Preview = { readonly shaped: Shaped } | { readonly trouble: string } | null;

function preview(
  document: ProposalDocument,
  of: () => Target | null,
  ask: { spread: Spread; on: ReadonlySet<string> | null; atCost: boolean },
): Preview {
  try {
    const target = of();
    return target && { shaped: shapePrices(document, { target, ...ask }) };
  } catch (error) {
    // What is typed cannot be read, or cannot be reached: a sentence either way.
    return { trouble: (error as Error).message };
  }
}

/** The price shaped to a target: shown first, applied on a press, taken back by one undo. */
export function ShapePanel() {
  const { work, figures, selected, readOnly } = useEditor();
  const { message } = App.useApp();
  const [kind, setKind] = useState<Target['kind']>('total');
  const [text, setText] = useState('');
  const [spread, setSpread] = useState<Spread>('cost');
  const [onlySelected, setOnlySelected] = useState(false);
  const [atCost, setAtCost] = useState(false);
  const { document } = work;
  const { minorDigits } = figures;
  const on = useMemo(() => {
    if (!onlySelected || selected.size === 0) return null;
    const lines = figures.sections.flatMap((section) => section.lines);
    return new Set(
      lines
        .filter(({ line, bundle }) => selected.has(line.id) || (bundle && selected.has(bundle.id)))
        .map(({ line }) => line.id),
    );
  }, [onlySelected, selected, figures]);
  const found = useMemo(
    () =>
      preview(document, () => readTarget(kind, text, minorDigits), {
        spread,
        on,
        atCost: atCost && on !== null,
      }),
    [document, kind, text, minorDigits, spread, on, atCost],
  );
  const shapedLines = figures.sections.flatMap(({ lines }) => lines.filter(({ shaped }) => shaped));
  const put = usePut();
  const money = moneyOf(minorDigits);
  const shaped = found && 'shaped' in found ? found.shaped : null;
  // No price meets it: a line of its own would.
  const rounding =
    shaped && shaped.missing !== 0n && kind === 'total'
      ? roundingLine(shaped.document, shaped.missing, newPartId())
      : null;

  return (
    <section className="shape" aria-label="Shape the price">
      <h2>Shape the price</h2>
      {!readOnly && (
        <div className="choice-terms">
          <label>
            to{' '}
            <Select
              size="small"
              popupMatchSelectWidth={false}
              aria-label="Shape to"
              value={kind}
              onChange={(picked: string) => setKind(picked as Target['kind'])}
              options={[...Object.entries(kinds).map(([each, words]) => ({ value: each, label: words }))]}
            />
          </label>
          <Input
            className="wide-amount"
            aria-label="Target"
            inputMode="decimal"
            placeholder={kind === 'total' ? writeAmount(figures.total, minorDigits) : 'percent'}
            value={text}
            onChange={({ target }) => setText(target.value)}
          />
          <Select
            size="small"
            popupMatchSelectWidth={false}
            aria-label="Spread over"
            value={spread}
            onChange={(picked: string) => setSpread(picked as Spread)}
            options={[...Object.entries(spreads).map(([each, words]) => ({ value: each, label: words }))]}
          />
          {selected.size > 0 ? (
            <Checkbox checked={onlySelected} onChange={({ target }) => setOnlySelected(target.checked)}>
              only on the {selected.size} selected on the sheet
            </Checkbox>
          ) : (
            <span className="soft">Select lines on the sheet (Ctrl Space) to shape only those.</span>
          )}
          {onlySelected && selected.size > 0 && (
            <Checkbox checked={atCost} onChange={({ target }) => setAtCost(target.checked)}>
              the others at cost
            </Checkbox>
          )}
        </div>
      )}
      {found && 'trouble' in found && <p className="wrong">{found.trouble}</p>}
      {shaped && (
        <>
          <p className="shape-answer" role="status">
            {isNothing(writeAmount(shaped.missing, minorDigits)) ? (
              <>Exact: </>
            ) : (
              <span className="wrong">
                {money.show(shaped.missing)} off,{' '}
                {shaped.proved ? 'the smallest step of a price jumps over it' : 'the nearest found'}:{' '}
              </span>
            )}
            total <strong>{money.show(shaped.figures.total)}</strong>, profit{' '}
            {money.show(shaped.figures.profit)}
            {shaped.figures.margin !== null && `, margin ${showPercent(shaped.figures.margin)} %`}
            {shaped.figures.markup !== null && `, markup ${showPercent(shaped.figures.markup)} %`}.
          </p>
          {shaped.moves.length > 0 && (
            <>
              <div className="shape-moves">
                <PriceMoves moves={shaped.moves} />
              </div>
              <Button
                type="primary"
                onClick={() => {
                  put(shaped.document);
                  setText('');
                  message.success(`${shaped.moves.length} prices are set. One undo takes them back.`);
                }}
              >
                Set these prices
              </Button>
              {rounding && (
                <Button
                  onClick={() => {
                    const last = shaped.document.sections.at(-1)!;
                    put({
                      ...shaped.document,
                      sections: [
                        ...shaped.document.sections.slice(0, -1),
                        { ...last, entries: [...last.entries, rounding] },
                      ],
                    });
                    setText('');
                    message.success('The prices and a rounding line are set. One undo takes them back.');
                  }}
                >
                  Set these, with a rounding line of {money.show(shaped.missing)}
                </Button>
              )}
            </>
          )}
        </>
      )}
      {shapedLines.length > 0 && !readOnly && (
        <p>
          {shapedLines.length} prices are set by shaping and do not follow their costs.{' '}
          <Button
            size="small"
            onClick={() =>
              put(withPrices(document, new Map(shapedLines.map(({ line }) => [line.id, null] as const))))
            }
          >
            Let them follow again
          </Button>
        </p>
      )}
      <p className="soft">
        {resilience(figures)
          .filter(({ overrun, cost }) => overrun !== null && cost > 0n && figures.profit > 0n)
          .map(({ costType, overrun }) => `${costTypeName(costType)} ${showPercent(overrun!)} %`)
          .join(' · ') || 'No profit yet'}{' '}
        of overrun would take all the profit.
      </p>
    </section>
  );
}
