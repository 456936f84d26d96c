import Link from 'next/link';
import type { DraftBehind } from '@/services/library/bulk';
import { isBelowZero, showDecimal } from '@/core/number';

const signed = (text: string) => (isBelowZero(text) ? showDecimal(text) : `+${showDecimal(text)}`);

/** Drafts that would move if their costs were refreshed, and by how much. */
export function DraftsBehind({ drafts }: { drafts: readonly DraftBehind[] }) {
  if (drafts.length === 0) return null;
  return (
    <div className="panel">
      <h2>Drafts with older costs</h2>
      <ul className="plain-list">
        {drafts.map(({ id, number, title, items, total }) => (
          <li key={id}>
            <Link href={`/proposals/${id}`} prefetch={false}>
              {number} {title}
            </Link>
            <div className="soft">
              {items} cost{items > 1 ? 's' : ''} moved, total {signed(total)} if refreshed
            </div>
          </li>
        ))}
      </ul>
    </div>
  );
}
