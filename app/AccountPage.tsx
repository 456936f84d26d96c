import '@/ui/theme/antd.css';
import '@/ui/theme/scale.css';
import '@/desk/desk.css';
import type { ReactNode } from 'react';
import { Providers } from '@/ui/Providers';
import { requestNonce } from './session';

/** What stands around a page before the desk. */
export const AccountPage = async ({ children }: { readonly children: ReactNode }) => (
  <Providers nonce={await requestNonce()}>{children}</Providers>
);
