import { askQuestion } from '@/services/booklet/questions';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(askQuestion);
