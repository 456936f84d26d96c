import { isTaken } from '../taken';
import { Problem } from '../problem';

/**
 * Does what keeps a person by their address.
 * @throws Problem `address-taken` when somebody has it
 */
export async function takenOr<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isTaken(error))
      throw new Problem('address-taken', 'Somebody signs in with this address already. Sign in as them.');
    throw error;
  }
}
