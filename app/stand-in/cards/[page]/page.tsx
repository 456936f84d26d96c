import type { Metadata } from 'next';
import { trialCards } from '@/gateways/cards/standIn';
import { cardService } from '@/services/cardService';
import { CardPage } from '@/standIns/CardPage';

export const metadata: Metadata = {
  title: 'Card payment',
  robots: { index: false, follow: false },
};

/** A page of the stand-in of a card service: it is none of ours, and says that it is none of anybody's. */
export default async function CardStandInPage({ params }: { params: Promise<{ page: string }> }) {
  const { page } = await params;
  return (
    <CardPage
      shown={cardService().open(page, new Date())}
      door={`/stand-in/cards/${page}/type`}
      trial={trialCards}
    />
  );
}
