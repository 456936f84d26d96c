import { askedOf } from '@/services/offered';
import { respond } from '@/services/problem';
import { offerProposals } from '@/services/proposals/offerProposals';
import { actionActor } from '../../../session';

/** Proposals to copy: those that have all of `?words=`, last changed first; or the one of `?id=`. */
export const GET = (request: Request) =>
  respond(async () => Response.json(await offerProposals(await actionActor(), askedOf(request))));
