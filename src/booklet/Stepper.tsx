import type { Fixed } from '@/core/number';
import { ONE, parseFixed, showDecimal, writeFixed } from '@/core/number';
import { unitAfter } from '@/model/units';

interface Limits {
  readonly minimum: string;
  readonly maximum: string;
  readonly step: string;
}

/** The next quantity on the steps between the limits. */
function stepped(quantity: string, limits: Limits, by: 1 | -1): string | null {
  const next = parseFixed(quantity) + BigInt(by) * parseFixed(limits.step);
  if (next < parseFixed(limits.minimum) || next > parseFixed(limits.maximum)) return null;
  return writeFixed(next as Fixed);
}

/** More or fewer of something, within its limits; null: it cannot be set here. */
export function Stepper({
  name,
  quantity,
  limits,
  unit,
  set,
}: {
  name: string;
  quantity: string;
  limits: Limits;
  unit: string;
  set: ((quantity: string) => void) | null;
}) {
  const button = (by: 1 | -1) => {
    const next = stepped(quantity, limits, by);
    return (
      <button
        type="button"
        className="step-button"
        aria-label={`${parseFixed(limits.step) === ONE ? 'One' : showDecimal(limits.step)} ${by === 1 ? 'more' : 'fewer'}: ${name}`}
        disabled={!set || next === null}
        onClick={() => next !== null && set?.(next)}
      >
        {by === 1 ? '+' : '−'}
      </button>
    );
  };
  return (
    <div className="stepper">
      {button(-1)}
      <span>
        {showDecimal(quantity)} {unit && unitAfter(quantity, unit)}
      </span>
      {button(1)}
    </div>
  );
}
