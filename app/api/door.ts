import type { Actor } from '@/services/actor';
import { noSuch, respond } from '@/services/problem';
import { isId } from '@/model';
import { actionActor } from '../session';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/**
 * A door that reads one thing by its identity, for those signed in.
 * @throws Problem `no-such-page`
 */
export function readDoor(act: (actor: Actor, id: string, request: Request) => Promise<Response>) {
  return (request: Request, { params }: Context): Promise<Response> =>
    respond(async () => {
      const actor = await actionActor();
      const { id } = await params;
      if (!isId(id)) throw noSuch('page');
      return act(actor, id, request);
    });
}
