import type { Metadata } from 'next';
import { Forgotten } from '@/desk/account/Forgotten';
import { sendPasswordLinkAction } from '../accountActions';
import { AccountPage } from '../AccountPage';

export const metadata: Metadata = { title: 'A new password' };

export default function ForgotPage() {
  return (
    <AccountPage>
      <Forgotten send={sendPasswordLinkAction} simulated />
    </AccountPage>
  );
}
