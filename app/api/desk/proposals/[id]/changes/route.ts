import { changesSince } from '@/services/proposals/changes';
import { readDoor } from '../../../../door';

/** What happened to a proposal since a save: an open page asks every few seconds. */
export const GET = readDoor(async (actor, id, request) =>
  Response.json(
    await changesSince(actor, id, Number(new URL(request.url).searchParams.get('since') ?? Number.NaN)),
    { headers: { 'cache-control': 'no-store' } },
  ),
);
