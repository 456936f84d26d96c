'use client';

import type { ReactNode } from 'react';
import { createContext, use } from 'react';
import type { Measuring } from '@/model';

/** What forms begin with because of where a company is and how it measures. */
interface Ours {
  /** ISO 3166-1, two letters. */
  readonly country: string;
  readonly units: Measuring;
}

const Known = createContext<Ours>({ country: 'US', units: 'us' });

export const OurCompany = ({ country, units, children }: Ours & { readonly children: ReactNode }) => {
  return <Known value={{ country, units }}>{children}</Known>;
};

export const useOurCompany = (): Ours => use(Known);
