import type { ReactNode } from 'react';
import { May } from './May';

/** A list or report as a file, for who may export. */
export const ExportLink = ({
  href,
  className = 'link-in-text',
  children,
}: {
  readonly href: string;
  readonly className?: string;
  readonly children: ReactNode;
}) => (
  <May any={['export']}>
    <a className={className} download href={href}>
      {children}
    </a>
  </May>
);
