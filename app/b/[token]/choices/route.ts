import { chooseInBooklet } from '@/acts/booklet/choose';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(chooseInBooklet);
