import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { listSessions } from '@/acts/accounts/session';
import { readSettings } from '@/acts/settings';
import { SettingsPage } from '@/desk/SettingsPage';
import { revokeSessionAction, saveSettingsAction, setLookAction } from '../../actions';
import { pageActor, sessionCookie } from '../../session';

export const metadata: Metadata = { title: 'Settings' };

export default async function SettingsRoute() {
  const actor = await pageActor();
  const store = await cookies();
  const [settings, sessions] = await Promise.all([
    readSettings(actor),
    listSessions(actor, store.get(sessionCookie)?.value ?? ''),
  ]);
  return (
    <SettingsPage
      settings={settings}
      sessions={sessions}
      isOwner={actor.role === 'owner'}
      look={store.get('impegno-look')?.value ?? 'system'}
      actions={{ save: saveSettingsAction, revoke: revokeSessionAction, setLook: setLookAction }}
    />
  );
}
