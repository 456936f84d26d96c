'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { askAgain } from '@/ui/askAgain';
import { askDoor } from '@/ui/askDoor';

const EVERY = 8000;

/**
 * Keeps an open page of an agreement as it is on the server: what colleagues record and what the customer chooses, signs
 * and pays reaches it by itself. What is typed in an open form stays.
 * @param mark what it looked like when it was read
 */
export function useFreshAgreement(agreementId: string, mark: string): void {
  const router = useRouter();
  useEffect(
    () =>
      askAgain(
        EVERY,
        async (signal) => {
          const { mark: now } = await askDoor<{ mark: string }>(`/api/desk/agreements/${agreementId}/now`, {
            signal,
          });
          if (now !== mark) router.refresh();
        },
        EVERY,
      ),
    [agreementId, mark, router],
  );
}
