import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SetUp } from '@/desk/setUp/SetUp';
import { readSetUp } from '@/services/entering/setUp';
import { setUpAction } from '../accountActions';
import { AccountPage } from '../AccountPage';

export const metadata: Metadata = { title: 'Set up your company' };

export default async function SetUpPage() {
  const { open, asksForKey } = await readSetUp();
  if (!open) redirect('/sign-in');
  return (
    <AccountPage>
      <SetUp asksForKey={asksForKey} setUp={setUpAction} />
    </AccountPage>
  );
}
