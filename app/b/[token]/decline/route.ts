import { declineProposal } from '@/services/booklet/decide';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(declineProposal);
