import type { Metadata } from 'next';
import { StartLibrary } from '@/desk/library/start/StartLibrary';
import { startingTrades } from '@/services/library/starting/take';
import { takeStartingLibraryAction } from '../../../settingsActions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Begin your library' };

export default async function StartLibraryPage() {
  await pageActor('library');
  return <StartLibrary trades={startingTrades()} take={takeStartingLibraryAction} />;
}
