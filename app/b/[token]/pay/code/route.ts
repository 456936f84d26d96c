import { confirmCard } from '@/services/booklet/payCard';
import { bookletDoor } from '../../../door';

export const POST = bookletDoor(confirmCard);
