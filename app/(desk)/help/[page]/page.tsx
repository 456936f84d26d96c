import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { guidePage } from '@/services/help/guide';
import { GuideText } from '@/desk/help/GuideText';
import { pageActor } from '../../../session';

interface Props {
  readonly params: Promise<{ page: string }>;
}

export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: (await guidePage((await params).page))?.title ?? 'Guide',
});

export default async function GuidePageRoute({ params }: Props) {
  await pageActor();
  const found = await guidePage((await params).page);
  if (!found) notFound();
  return (
    <div className="page page-narrow">
      <header className="page-head">
        <h1>{found.title}</h1>
        <Link className="soft" href="/help" prefetch={false}>
          all of the guide
        </Link>
      </header>
      <GuideText html={found.html} />
    </div>
  );
}
