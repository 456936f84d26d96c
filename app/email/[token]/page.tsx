import type { Metadata } from 'next';
import { NewEmail } from '@/desk/account/NewEmail';
import { readEmailLink } from '@/services/entering/ownEmail';
import { takeEmailByLinkAction } from '../../accountActions';
import { AccountPage } from '../../AccountPage';

export const metadata: Metadata = { title: 'Another address', referrer: 'no-referrer' };

export default async function EmailPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const found = await readEmailLink(token, new Date());
  return (
    <AccountPage>
      <NewEmail
        change={found && { email: found.email, was: found.was }}
        take={takeEmailByLinkAction.bind(null, token)}
      />
    </AccountPage>
  );
}
