import type { Actor } from '@/services/actor';
import { Problem, respond } from '@/services/problem';
import { isId } from '@/model';
import { actionActor } from '../session';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A door that reads one thing by its identity, for those signed in. */
export function readDoor(act: (actor: Actor, id: string, request: Request) => Promise<Response>) {
  return (request: Request, { params }: Context): Promise<Response> =>
    respond(async () => {
      const actor = await actionActor();
      const { id } = await params;
      if (!isId(id)) throw new Problem(404, 'There is no such thing here.');
      return act(actor, id, request);
    });
}
