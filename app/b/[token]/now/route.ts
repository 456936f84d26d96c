import { bookletSince } from '@/services/booklet/fresh';
import { bookletRead } from '../../door';

/** What an open booklet asks every few seconds: is it still as it was? */
export const GET = bookletRead(async (visitor, _, request) =>
  Response.json(
    await bookletSince(visitor, new URL(request.url).searchParams.get('mark')?.slice(0, 100) ?? ''),
    { headers: { 'cache-control': 'private, no-store' } },
  ),
);
