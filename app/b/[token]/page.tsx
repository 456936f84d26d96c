import '@/booklet/booklet.css';
import '@/ui/plan.css';
import type { Metadata } from 'next';
import { changeConsent, consentSentence } from '@/services/booklet/decide';
import { bookletMark } from '@/services/booklet/fresh';
import { openBooklet, visitorOf } from '@/services/booklet/open';
import { selectionConsent } from '@/services/booklet/rounds';
import { Problem } from '@/services/problem';
import { Booklet } from '@/booklet/Booklet';
import { trialCode } from '@/gateways/cards/standIn';
import { requestOrigin } from '../../session';

export const metadata: Metadata = { title: 'Your proposal', robots: { index: false, follow: false } };

export default async function BookletPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  let booklet;
  let mark;
  try {
    const visitor = await visitorOf(token, await requestOrigin(), new Date());
    // Before it is read: what changes in between is read once more.
    mark = await bookletMark(visitor);
    booklet = await openBooklet(visitor);
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return (
      <div className="booklet">
        <section className="leaf">
          <h1>{error.details.code === 'seal-broken' ? 'This cannot be shown' : 'This link leads nowhere'}</h1>
          <p>{error.message}</p>
        </section>
      </div>
    );
  }
  return (
    <Booklet
      first={booklet}
      mark={mark}
      address={`/b/${token}`}
      consent={booklet.view.change ? changeConsent : consentSentence}
      selectionConsent={selectionConsent}
      trialCode={trialCode}
    />
  );
}
