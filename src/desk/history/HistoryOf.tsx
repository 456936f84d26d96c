import Link from 'next/link';
import { May } from '@/ui/may/May';

/** Leads to what was done with a thing, for who may look back. */
export const HistoryOf = ({ id }: { readonly id: string }) => (
  <May any={['settings']}>
    <Link className="soft" href={`/history?of=${id}`} prefetch={false}>
      History
    </Link>
  </May>
);
