import { openCardPage } from '@/services/booklet/payCard';
import { here } from '@/services/here';
import { bookletDoor } from '../../../door';

/** Where the card of a payment is typed: at the card service, which leads back here. */
export const POST = bookletDoor((visitor, input, request) =>
  openCardPage(visitor, input, here(new URL(request.url).pathname.replace(/\/pay\/card-page$/, ''))),
);
