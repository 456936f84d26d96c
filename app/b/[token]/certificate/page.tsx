import '@/booklet/booklet.css';
import type { Metadata } from 'next';
import { visitorCertificates } from '@/services/booklet/certificate';
import { visitorOf } from '@/services/booklet/open';
import { Problem } from '@/services/problem';
import { Certificates } from '@/booklet/Certificates';
import { requestOrigin } from '../../../session';

export const metadata: Metadata = { title: 'What was signed', robots: { index: false, follow: false } };

export default async function CertificatePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  let found;
  try {
    found = await visitorCertificates(await visitorOf(token, await requestOrigin(), new Date()));
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return (
      <div className="booklet">
        <section className="leaf">
          <h1>There is no certificate here</h1>
          <p>{error.message}</p>
        </section>
      </div>
    );
  }
  return <Certificates {...found} statements={`/b/${token}/statements`} back={`/b/${token}`} />;
}
