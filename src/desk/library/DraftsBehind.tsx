import { Alert } from 'antd';
import Link from 'next/link';
import type { DraftsBehind as Drafts } from '@/services/library/bulk';
import { isBelowZero, showDecimal } from '@/core/number';

const signed = (text: string) => (isBelowZero(text) ? showDecimal(text) : `+${showDecimal(text)}`);

/** Drafts that would move if their costs were refreshed, and by how much; opened by whoever wants to see which. */
export function DraftsBehind({ drafts: { behind, looked, more } }: { readonly drafts: Drafts }) {
  if (behind.length === 0) return null;
  return (
    <Alert
      className="drafts-behind"
      type="warning"
      title={
        <details>
          <summary>
            {more && `Of the ${looked} drafts changed last, `}
            {behind.length === 1 ? '1' : behind.length}{' '}
            {more ? '' : behind.length === 1 ? 'draft ' : 'drafts '}
            {behind.length === 1 ? 'has' : 'have'} older costs than the library
          </summary>
          <ul className="plain-list">
            {behind.map(({ id, number, title, items, total }) => (
              <li key={id}>
                <Link className="link-in-text" href={`/proposals/${id}`} prefetch={false}>
                  {number} {title}
                </Link>{' '}
                <span className="soft">
                  {items} cost{items > 1 ? 's' : ''} moved, total {signed(total)} if refreshed
                </span>
              </li>
            ))}
          </ul>
        </details>
      }
    />
  );
}
