import '@/booklet/booklet.css';
import type { Metadata } from 'next';
import { checkCertificate } from '@/services/booklet/certificate';
import { Problem } from '@/services/problem';
import type { Verdict } from '@/booklet/CheckCertificate';
import { CheckCertificate } from '@/booklet/CheckCertificate';
import { requestOrigin } from '../session';

export const metadata: Metadata = { title: 'Check a certificate', robots: { index: false, follow: false } };

async function verdictOf(sha256: string): Promise<Verdict> {
  try {
    const found = await checkCertificate({ sha256 }, await requestOrigin(), new Date());
    return found ? { kind: 'known', found, sha256 } : { kind: 'unknown', sha256 };
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return { kind: 'trouble', why: error.message };
  }
}

/** Anyone who holds a certificate can check it here; nobody has to sign in for that. */
export default async function CheckPage({
  searchParams,
}: {
  searchParams: Promise<{ certificate?: string }>;
}) {
  const { certificate } = await searchParams;
  return (
    <div className="booklet">
      <CheckCertificate first={certificate ? await verdictOf(String(certificate)) : null} />
    </div>
  );
}
