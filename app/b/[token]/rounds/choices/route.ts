import { chooseInRound } from '@/services/booklet/rounds';
import { bookletDoor } from '../../../door';

export const POST = bookletDoor(chooseInRound);
