import type { ReactNode } from 'react';

/** A page before the desk: who one is, and nothing else. */
export const AccountFrame = ({
  title,
  says,
  children,
}: {
  readonly title: string;
  readonly says: ReactNode;
  readonly children: ReactNode;
}) => (
  <main className="sign-in">
    <h1>{title}</h1>
    <p className="soft">{says}</p>
    {children}
  </main>
);
