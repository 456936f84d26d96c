import { chooseInRound } from '@/acts/booklet/rounds';
import { bookletDoor } from '../../../door';

export const POST = bookletDoor(chooseInRound);
