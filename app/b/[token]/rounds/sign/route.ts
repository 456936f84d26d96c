import { signRound } from '@/services/booklet/rounds';
import { bookletDoor } from '../../../door';

export const POST = bookletDoor(async (visitor, input, request) =>
  signRound(visitor, input, request.headers.get('user-agent') ?? ''),
);
