import { payDeposit } from '@/acts/booklet/payDeposit';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(payDeposit);
