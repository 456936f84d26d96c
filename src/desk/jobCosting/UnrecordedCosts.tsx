import { Alert, Button } from 'antd';
import { parseAmount, showAmount, showDecimal } from '@/core/number';
import type { CostInput } from '@/model';
import type { useCostsBeingRecorded } from './useCostsBeingRecorded';

const figuresOf = ({ amount, hours, rate }: CostInput, digits: number) =>
  amount === undefined
    ? `${showDecimal(hours ?? '0')} h at ${showDecimal(rate ?? '0')}`
    : showAmount(parseAmount(amount, digits), digits);

/** Costs that are on their way, and those that were not taken, each with why. */
export function UnrecordedCosts({
  costs: { unrecorded, waiting, send, drop },
  digits,
}: {
  readonly costs: ReturnType<typeof useCostsBeingRecorded>;
  readonly digits: number;
}) {
  return (
    <>
      {waiting > 0 && (
        <p className="soft" role="status">
          {waiting === 1 ? 'One cost is' : `${waiting} costs are`} being recorded …
        </p>
      )}
      {unrecorded
        .filter(({ why }) => why !== null)
        .map(({ input, why }) => (
          <Alert
            key={input.idempotencyKey}
            type="error"
            className="below-less"
            title={`“${input.what}”, ${figuresOf(input, digits)}: ${why}`}
            action={
              <>
                <Button size="small" onClick={() => void send(input)}>
                  Try again
                </Button>{' '}
                <Button size="small" onClick={() => drop(input)}>
                  Delete
                </Button>
              </>
            }
          />
        ))}
    </>
  );
}
