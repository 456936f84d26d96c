import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/services/actor';
import { bundlesWith, readBundle } from '@/services/library/bundles';
import { Problem } from '@/services/problem';
import { readSettings } from '@/services/settings/settings';
import { BundleEditor } from '@/desk/library/bundle/BundleEditor';
import { isId } from '@/model';
import '@/desk/proposals/editor/editor.css';
import '@/desk/proposals/editor/sheet.css';
import '@/desk/library/library.css';
import { addBundleAction, saveBundleAction } from '../../../../actions';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'Bundle' };

export default async function BundlePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('cost');
  if (!isId(id)) notFound();
  const bundle = await readBundle(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  const { company } = await readSettings(actor);
  return (
    <BundleEditor
      key={bundle.id}
      bundle={bundle}
      standsIn={await bundlesWith(actor, id)}
      usual={company.usual}
      currency={company.currency}
      mayChange={may(actor, 'library')}
      actions={{ add: addBundleAction, save: saveBundleAction }}
    />
  );
}
