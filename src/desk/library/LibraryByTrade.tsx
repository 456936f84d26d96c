'use client';

import { useRouter } from 'next/navigation';
import { TradeBrowser } from './TradeBrowser';

/** The library by trade: a tap opens what is in it. */
export function LibraryByTrade() {
  const router = useRouter();
  return (
    <TradeBrowser
      taken={{}}
      take={(found) =>
        router.push(
          found.kind === 'item' ? `/library/items/${found.item.id}` : `/library/bundles/${found.bundle.id}`,
        )
      }
    />
  );
}
