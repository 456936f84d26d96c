import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/services/actor';
import { bundlesWith } from '@/services/library/bundles';
import { readItem } from '@/services/library/items';
import { listCrews, listRates } from '@/services/library/rates';
import { Problem } from '@/services/problem';
import { readSettings } from '@/services/settings/settings';
import { ItemEditor } from '@/desk/library/item/ItemEditor';
import { isId } from '@/model';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { retireAction, saveItemAction } from '../../../../actions';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'Item' };

export default async function ItemPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('cost');
  if (!isId(id)) notFound();
  const known = await readItem(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  const { company } = await readSettings(actor);
  return (
    <ItemEditor
      key={id}
      known={known}
      standsIn={await bundlesWith(actor, id)}
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
