import type { Metadata } from 'next';
import { may } from '@/services/actor';
import { listCrews, listRates } from '@/services/library/rates';
import { readSettings } from '@/services/settings/settings';
import { ItemEditor } from '@/desk/library/item/ItemEditor';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { retireAction, saveItemAction } from '../../../../actions';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'New item' };

export default async function NewItemPage() {
  const actor = await pageActor('library', 'propose');
  const { company } = await readSettings(actor);
  return (
    <ItemEditor
      known={null}
      standsIn={[]}
      rates={await listRates(actor)}
      crews={await listCrews(actor)}
      usual={company.usual}
      costCodes={company.costCodes}
      currency={company.currency}
      timeZone={company.timeZone}
      mayChange={may(actor, 'library')}
      save={saveItemAction}
      retire={retireAction}
    />
  );
}
