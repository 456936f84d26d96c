import { askQuestion } from '@/acts/booklet/questions';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(askQuestion);
