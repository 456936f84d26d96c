'use client';

import type { ReactNode } from 'react';
import { createContext, use } from 'react';
import type { Measuring } from '@/model';

/** What forms begin with because of where a company is and how it measures. */
interface Ours {
  /** ISO 3166-1, two letters. */
  readonly country: string;
  readonly units: Measuring;
  /** What it counts in beside the units everybody knows, by name. */
  readonly ownUnits: readonly string[];
}

const Known = createContext<Ours>({ country: 'US', units: 'us', ownUnits: [] });

export const OurCompany = ({
  country,
  units,
  ownUnits,
  children,
}: Ours & { readonly children: ReactNode }) => {
  return <Known value={{ country, units, ownUnits }}>{children}</Known>;
};

export const useOurCompany = (): Ours => use(Known);
