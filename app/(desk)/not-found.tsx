import type { Metadata } from 'next';
import Link from 'next/link';

export const metadata: Metadata = { title: 'Not found' };

export default function NotFound() {
  return (
    <div className="page">
      <header className="page-head">
        <h1>There is nothing here</h1>
      </header>
      <p>The address may have a typing mistake, or it belongs to another company.</p>
      <p>
        <Link href="/today" prefetch={false}>
          Back to Today
        </Link>
      </p>
    </div>
  );
}
