import { App, Button } from 'antd';
import { useMemo } from 'react';
import { moneyOf, showPercent } from '@/core/number';
import type { Shaped, Target } from '@/core/shaping';
import { roundingLine, withLineAtEnd } from '@/core/shaping';
import { newPartId, useEditor } from '../context';
import { PriceMoves } from './PriceMoves';
import { usePut } from './put';

/** What shaping would make of the prices, and the press that sets them. */
export function ShapeAnswer({
  shaped,
  kind,
  done,
}: {
  readonly shaped: Shaped;
  readonly kind: Target['kind'];
  readonly done: () => void;
}) {
  const { figures } = useEditor();
  const { message } = App.useApp();
  const put = usePut();
  const money = moneyOf(figures.minorDigits);
  const { missing, moves, proved, document } = shaped;
  const { total, profit, margin, markup } = shaped.figures;
  // No price meets it: a line of its own would.
  const rounding = useMemo(
    () => (missing !== 0n && kind === 'total' ? roundingLine(document, missing, newPartId()) : null),
    [document, missing, kind],
  );
  const set = (next: typeof document, said: string) => {
    put(next);
    done();
    void message.success(`${said} One undo takes them back.`);
  };
  return (
    <>
      <p className="shape-answer" role="status">
        {missing === 0n ? (
          <>Exact: </>
        ) : (
          <span className="wrong">
            {money.show(missing)} off,{' '}
            {proved ? 'the smallest step of a price jumps over it' : 'the nearest found'}:{' '}
          </span>
        )}
        total <strong>{money.show(total)}</strong>, profit {money.show(profit)}
        {margin !== null && `, margin ${showPercent(margin)} %`}
        {markup !== null && `, markup ${showPercent(markup)} %`}.
      </p>
      {moves.length > 0 && (
        <>
          <div className="shape-moves">
            <PriceMoves moves={moves} />
          </div>
          <Button type="primary" onClick={() => set(document, `${moves.length} prices are set.`)}>
            Set these prices
          </Button>
          {rounding && (
            <Button
              onClick={() =>
                set(withLineAtEnd(document, rounding), 'The prices and a rounding line are set.')
              }
            >
              Set these, with a rounding line of {money.show(missing)}
            </Button>
          )}
        </>
      )}
    </>
  );
}
