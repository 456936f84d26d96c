import { fileForDesk } from '@/services/files/keep';
import { noSuch, respond } from '@/services/problem';
import { isId } from '@/model';
import { apiActor } from '../../../../session';
import { picture } from '../../../picture';

/**
 * A kept picture; `?small` asks for it in small.
 * @throws Problem `no-such-picture`
 */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const actor = await apiActor();
    const { id } = await params;
    if (!isId(id)) throw noSuch('picture');
    return picture(await fileForDesk(actor, id, new URL(request.url).searchParams.has('small')));
  });
}
