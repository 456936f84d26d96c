import { offerCustomers } from '@/services/customers/customers';
import { askedOf } from '@/services/offered';
import { respond } from '@/services/problem';
import { actionActor } from '../../../session';

/** Customers to pick from: those that have all of `?words=`, by name; or the one of `?id=`. */
export const GET = (request: Request) =>
  respond(async () => Response.json(await offerCustomers(await actionActor(), askedOf(request))));
