import type { Opened } from '@/services/entering/openSession';
import { signIn } from '@/services/entering/signIn';

/** Signs in where no code is asked for. */
export async function signedIn(...given: Parameters<typeof signIn>): Promise<Opened> {
  const answer = await signIn(...given);
  if (!('token' in answer)) throw new Error('A code is asked for.');
  return answer;
}
