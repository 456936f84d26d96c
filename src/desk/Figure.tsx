import { showDecimal } from '@/core/number';

/** One figure of a page's head, with its name over it. */
export function Figure({ name, value, wrong = false }: { name: string; value: string; wrong?: boolean }) {
  return (
    <div>
      <div className="figure-name">{name}</div>
      <div className={wrong ? 'figure-value wrong' : 'figure-value'}>{showDecimal(value)}</div>
    </div>
  );
}
