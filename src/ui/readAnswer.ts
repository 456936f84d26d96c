import type { ProblemDetails } from '@/model';

/**
 * What a door answered with.
 * @throws Error with the sentence of the problem, where it was one
 */
export async function readAnswer<T>(answer: Response): Promise<T> {
  let read: T & Partial<ProblemDetails>;
  try {
    read = (await answer.json()) as T & Partial<ProblemDetails>;
  } catch {
    throw new Error('The server does not answer.');
  }
  if (!answer.ok) throw new Error(read.detail ?? 'The server does not answer.');
  return read;
}
