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
    /** What a picked one is recorded as; one that is gone meanwhile is the first. */
    recorded: (id: string): { method: HandMethod; methodName?: string } => {
      const { name, like } = methods.find((each) => each.id === id) ?? methods[0]!;
      return name.toLowerCase() === methodName(like).toLowerCase()
        ? { method: like }
        : { method: like, methodName: name };
    },
  };
}
