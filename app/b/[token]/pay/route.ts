import { payByCard } from '@/services/booklet/payCard';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(payByCard);
