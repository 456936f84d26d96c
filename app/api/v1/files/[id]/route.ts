import { fileForDesk } from '@/services/files/keep';
import { Problem, respond } from '@/services/problem';
import { isId } from '@/model';
import { actionActor } from '../../../../session';
import { picture } from '../../../picture';

/** A kept picture; `?small` asks for it in small. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const actor = await actionActor();
    const { id } = await params;
    if (!isId(id)) throw new Problem(404, 'There is no such picture.');
    return picture(await fileForDesk(actor, id, new URL(request.url).searchParams.has('small')));
  });
}
