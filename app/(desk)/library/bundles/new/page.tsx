import type { Metadata } from 'next';
import { may } from '@/services/actor';
import { readSettings } from '@/services/settings/settings';
import { BundleEditor } from '@/desk/library/bundle/BundleEditor';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { addBundleAction, saveBundleAction } from '../../../../actions';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'New bundle' };

export default async function NewBundlePage() {
  const actor = await pageActor('library', 'propose');
  const { company } = await readSettings(actor);
  return (
    <BundleEditor
      bundle={null}
      standsIn={[]}
      usual={company.usual}
      currency={company.currency}
      mayChange={may(actor, 'propose')}
      actions={{ add: addBundleAction, save: saveBundleAction }}
    />
  );
}
