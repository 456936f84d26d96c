'use client';

import type { ReactNode } from 'react';
import { createContext, use } from 'react';
import type { listSellers } from '@/services/people/changeSeller';
import type { Answer } from '@/model';

export interface SellerActs {
  readonly list: () => Promise<Answer<Awaited<ReturnType<typeof listSellers>>>>;
  readonly change: (input: { proposalId: string; sellerId: string }) => Promise<Answer<void>>;
}

const Acts = createContext<SellerActs | null>(null);

/** How work goes to another seller, for everything on the page; null: it is not offered. */
export const Sellers = ({
  acts,
  children,
}: {
  readonly acts: SellerActs | null;
  readonly children: ReactNode;
}) => <Acts value={acts}>{children}</Acts>;

export const useSellerActs = (): SellerActs | null => use(Acts);
