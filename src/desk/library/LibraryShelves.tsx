'use client';

import { useRouter } from 'next/navigation';
import { Shelves } from './Shelves';

/** The library as shelves: a tap opens what stands there. */
export function LibraryShelves() {
  const router = useRouter();
  return (
    <Shelves
      taken={{}}
      take={(found) =>
        router.push(
          found.kind === 'item' ? `/library/items/${found.item.id}` : `/library/bundles/${found.bundle.id}`,
        )
      }
    />
  );
}
