import { readBundle } from '@/services/library/bundles';
import { readDoor } from '../../../door';

/** A bundle with everything in it, as a proposal takes it. */
export const GET = readDoor(async (actor, id) => Response.json(await readBundle(actor, id)));
