import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { AccountFrame } from '@/desk/account/AccountFrame';
import { readOwnCompany } from '@/services/settings/company';
import { AccountPage } from '../AccountPage';
import { currentActor } from '../session';

export const metadata: Metadata = { title: 'Going on elsewhere' };

/** Where a tab of the desk ends when this browser went on as somebody else, or in another company. */
export default async function ElsewherePage() {
  const actor = await currentActor();
  if (!actor) redirect('/sign-in');
  const { name } = await readOwnCompany(actor);
  return (
    <AccountPage>
      <AccountFrame
        title="You went on elsewhere"
        says={`In another tab this browser went on as ${actor.name} of ${name}. This tab was somebody else’s.`}
      >
        {/* Loaded anew, not gone to: nothing of the page before may stay. */}
        <a href="/today">Go on as {actor.name}</a>
      </AccountFrame>
    </AccountPage>
  );
}
