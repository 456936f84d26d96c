import Link from 'next/link';
import { isNothing } from '@/core/number';
import { Figure } from '../Figure';

/** One sum of the money, and where what it is made of stands. */
export interface MoneyFigure {
  readonly name: string;
  readonly value: string;
  readonly address: string;
  /** What it is made of is shown. */
  readonly here: boolean;
  readonly wrong?: boolean;
}

/** The sums of the money; each opens what it is made of, and the one that is open closes. */
export const MoneyFigures = ({ figures }: { figures: readonly MoneyFigure[] }) => (
  <nav className="money-figures" aria-label="What the sums are made of">
    {figures.map(({ name, value, address, here, wrong }) => (
      <Link
        key={name}
        href={here ? '/money' : address}
        aria-current={here ? 'true' : undefined}
        prefetch={false}
      >
        <Figure name={name} value={value} wrong={wrong === true && !isNothing(value)} />
      </Link>
    ))}
  </nav>
);
