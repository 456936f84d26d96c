import { confirmCard } from '@/acts/booklet/payCard';
import { bookletDoor } from '../../../door';

export const POST = bookletDoor(confirmCard);
