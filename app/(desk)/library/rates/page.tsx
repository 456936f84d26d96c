import type { Metadata } from 'next';
import { may } from '@/services/actor';
import { listRatesAndCrews } from '@/services/library/rates';
import { RatesPage } from '@/desk/library/rates/RatesPage';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { removeCrewAction, saveCrewAction, saveRateAction } from '../../../actions';
import { pageActor } from '../../../session';

export const metadata: Metadata = { title: 'Rates and crews' };

export default async function Rates() {
  const actor = await pageActor('cost');
  return (
    <RatesPage
      known={await listRatesAndCrews(actor)}
      readOnly={!may(actor, 'library')}
      actions={{ saveRate: saveRateAction, saveCrew: saveCrewAction, removeCrew: removeCrewAction }}
    />
  );
}
