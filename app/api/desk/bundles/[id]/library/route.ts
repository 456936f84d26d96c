import { bundlesWith, readBundle } from '@/services/library/bundles';
import { readDoor } from '../../../../door';

/** A bundle as the library has it now, and the bundles it stands in. */
export const GET = readDoor(async (actor, id) =>
  Response.json({ bundle: await readBundle(actor, id), standsIn: await bundlesWith(actor, id) }),
);
