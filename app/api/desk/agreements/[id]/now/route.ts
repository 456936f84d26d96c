import { agreementMark } from '@/services/agreements/fresh';
import { readDoor } from '../../../../door';

/** What an open page of an agreement asks every few seconds: is it still as it was? */
export const GET = readDoor(async (actor, id) =>
  Response.json({ mark: await agreementMark(actor, id) }, { headers: { 'cache-control': 'no-store' } }),
);
