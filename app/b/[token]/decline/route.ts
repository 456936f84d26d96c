import { declineProposal } from '@/acts/booklet/decide';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(declineProposal);
