import { chooseInBooklet } from '@/services/booklet/choose';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(chooseInBooklet);
