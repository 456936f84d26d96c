import '@/booklet/booklet.css';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { readCertificates } from '@/services/booklet/certificate';
import { Problem } from '@/services/problem';
import { Certificates } from '@/booklet/Certificates';
import { isId } from '@/model';
import { pageActor } from '../../../../session';

export const metadata: Metadata = { title: 'What was signed' };

export default async function DeskCertificatePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await pageActor('prices');
  if (!isId(id)) notFound();
  const found = await readCertificates(actor, id).catch((error: unknown) => {
    if (error instanceof Problem) notFound();
    throw error;
  });
  return (
    <Certificates {...found} statements={`/api/v1/agreements/${id}/statements`} back={`/agreements/${id}`} />
  );
}
