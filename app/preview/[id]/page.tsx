import '@/booklet/booklet.css';
import '@/ui/plan.css';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { changeConsent, consentSentence } from '@/services/booklet/decide';
import { previewBooklet } from '@/services/booklet/preview';
import { selectionConsent } from '@/services/booklet/rounds';
import { Problem } from '@/services/problem';
import { Booklet } from '@/booklet/Booklet';
import { trialCode } from '@/gateways/cards/standIn';
import { isId } from '@/model';
import { presetChoicesAction } from '../../actions';
import { pageActor } from '../../session';

export const metadata: Metadata = { title: 'Preview' };

/** The booklet as the customer would get it now, for those at the desk. Nothing can be decided in it. */
export default async function PreviewPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('prices');
  if (!isId(id)) notFound();
  const booklet = await previewBooklet(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <Booklet
      first={booklet}
      address={null}
      consent={booklet.view.change ? changeConsent : consentSentence}
      selectionConsent={selectionConsent}
      trialCode={trialCode}
      keep={booklet.asSent ? presetChoicesAction : null}
    />
  );
}
