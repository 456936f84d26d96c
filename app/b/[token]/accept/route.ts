import { acceptProposal } from '@/acts/booklet/decide';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(async (visitor, input, request) => {
  const { repeated } = await acceptProposal(visitor, input, request.headers.get('user-agent') ?? '');
  return { accepted: true, repeated };
});
