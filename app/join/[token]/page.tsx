import type { Metadata } from 'next';
import { Join } from '@/desk/account/Join';
import { readInvitation } from '@/services/entering/join';
import { Problem } from '@/services/problem';
import { joinAsKnownAction, joinAsNewAction, signOutAction } from '../../accountActions';
import { AccountPage } from '../../AccountPage';
import { currentActor, requestOrigin } from '../../session';

export const metadata: Metadata = { title: 'An invitation', referrer: 'no-referrer' };

export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  let found;
  try {
    found = await readInvitation(token, await requestOrigin(), new Date());
  } catch (error) {
    // Who tried many wrong ones has to wait, and is told so.
    if (!(error instanceof Problem)) throw error;
    return (
      <AccountPage>
        <main className="page page-narrow">
          <h1>This invitation cannot be looked at now</h1>
          <p>{error.message}</p>
        </main>
      </AccountPage>
    );
  }
  const actor = await currentActor();
  const way = new URLSearchParams({ to: `/join/${token}`, email: found?.email ?? '' }).toString();
  return (
    <AccountPage>
      <Join
        invited={
          found && {
            company: found.company,
            inviter: found.inviter,
            role: found.role,
            email: found.email,
            name: found.name,
            known: found.personId !== null,
            here: actor === null ? null : actor.personId === found.personId ? 'invited' : 'other',
            gone: found.gone,
          }
        }
        signInPath={`/sign-in?${way}`}
        joinAsNew={joinAsNewAction.bind(null, token)}
        joinAsKnown={joinAsKnownAction.bind(null, token)}
        signOut={signOutAction}
      />
    </AccountPage>
  );
}
