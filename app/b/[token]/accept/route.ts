import { acceptProposal } from '@/services/booklet/accept';
import { bookletDoor } from '../../door';

export const POST = bookletDoor(async (visitor, input, request) => {
  const { repeated, before } = await acceptProposal(visitor, input, request.headers.get('user-agent') ?? '');
  return { accepted: true, repeated, before };
});
