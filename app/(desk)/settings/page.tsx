import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { listSessions } from '@/services/accounts/session';
import { listAreas } from '@/services/library/areas';
import { listTrades } from '@/services/library/byTrade';
import { readSettings } from '@/services/settings/settings';
import { SettingsPage } from '@/desk/settings/SettingsPage';
import { revokeSessionAction, saveAreasAction, saveSettingsAction, setLookAction } from '../../actions';
import { placeAddress } from '@/ui/place/placeAddress';
import { pageActor, sessionCookie } from '../../session';

export const metadata: Metadata = { title: 'Settings' };

export default async function SettingsRoute({
  searchParams,
}: {
  searchParams: Promise<{ about?: unknown }>;
}) {
  const actor = await pageActor();
  const { about } = await searchParams;
  // Addresses that were sent earlier name the subject behind the ?.
  if (typeof about === 'string') redirect(placeAddress('/settings', { about }));
  const store = await cookies();
  const [settings, trades, areas, sessions] = await Promise.all([
    readSettings(actor),
    listTrades(actor),
    listAreas(actor),
    listSessions(actor, store.get(sessionCookie)?.value ?? ''),
  ]);
  return (
    <SettingsPage
      settings={settings}
      sessions={sessions}
      areas={areas}
      isOwner={actor.role === 'owner'}
      trades={trades.map(({ trade }) => trade)}
      look={store.get('impegno-look')?.value ?? 'system'}
      actions={{
        save: saveSettingsAction,
        saveAreas: saveAreasAction,
        revoke: revokeSessionAction,
        setLook: setLookAction,
      }}
    />
  );
}
