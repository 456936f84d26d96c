import type { Metadata } from 'next';
import { NewPassword } from '@/desk/account/NewPassword';
import { readPasswordLink } from '@/services/entering/forgotten';
import { setPasswordByLinkAction } from '../../accountActions';
import { AccountPage } from '../../AccountPage';

export const metadata: Metadata = { title: 'A new password', referrer: 'no-referrer' };

export default async function PasswordPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const found = await readPasswordLink(token, new Date());
  return (
    <AccountPage>
      <NewPassword email={found?.email ?? null} save={setPasswordByLinkAction.bind(null, token)} />
    </AccountPage>
  );
}
