'use client';

import type { ReactNode } from 'react';
import { createContext, useContext } from 'react';
import { methodName } from '@/core/text/names';
import type { HandMethod, OwnMethod } from '@/model';
import { usualMethods } from '@/model/paymentMethods';

const Methods = createContext<readonly OwnMethod[]>(usualMethods);

/** Within this, money comes and goes by the ways the company has. */
export const OwnMethods = ({
  methods,
  children,
}: {
  readonly methods: readonly OwnMethod[];
  readonly children: ReactNode;
}) => <Methods value={methods}>{children}</Methods>;

/** The ways money comes and goes by hand, as the company calls them, to pick from. */
export function useMethods() {
  const methods = useContext(Methods);
  return {
    options: methods.map(({ id, name }) => ({ value: id, label: name })),
    /** What is picked before anybody picks: a bank transfer, or else the first. */
    first: (methods.find(({ like }) => like === 'transfer') ?? methods[0]!).id,
    /** Whether there is one picked: what was kept of a form may name one that is gone. */
    isThere: (id: string | undefined) => methods.some((each) => each.id === id),
    /** What a picked one is recorded as. @throws Error where it is gone */
    recorded: (id: string): { method: HandMethod; methodName?: string } => {
      const picked = methods.find((each) => each.id === id);
      if (!picked) throw new Error('Pick the way of payment.');
      const { name, like } = picked;
      return name.toLowerCase() === methodName(like).toLowerCase()
        ? { method: like }
        : { method: like, methodName: name };
    },
  };
}
