'use client';

import type { ReactNode } from 'react';
import { createContext, use } from 'react';
import type { Permission } from '@/model';

const Held = createContext<readonly Permission[]>([]);

/** What the one who is signed in may do, for everything on the page. The server refuses by itself; this only offers. */
export const MayHere = ({
  permissions,
  children,
}: {
  readonly permissions: readonly Permission[];
  readonly children: ReactNode;
}) => <Held value={permissions}>{children}</Held>;

/** Everything the one who is signed in may do. */
export const useHeld = (): readonly Permission[] => use(Held);

/** Whether any of some permissions is held. */
export function useMay(...any: Permission[]): boolean {
  const held = use(Held);
  return any.some((each) => held.includes(each));
}

/** What is offered only to who may. */
export const May = ({
  any,
  children,
}: {
  readonly any: readonly Permission[];
  readonly children: ReactNode;
}) => (useMay(...any) ? children : null);
