import { addAttempt, countAttempts } from '@/data/attempts';
import { beforeCompany } from '@/data/connection';
import { Problem } from './problem';

const WINDOW_MINUTES = 15;

/**
 * Refuses when a bucket saw too many tries in the last quarter of an hour.
 * @throws Problem `too-many-tries`
 */
export async function refuseAfter(bucket: string, most: number, now: Date): Promise<void> {
  const since = new Date(now.getTime() - WINDOW_MINUTES * 60_000);
  const count = await beforeCompany((tx) => countAttempts(tx, bucket, since));
  if (count >= most)
    throw new Problem('too-many-tries', `Too many tries. Wait ${WINDOW_MINUTES} minutes and try again.`);
}

/**
 * Counts a try before it is made, so that many at the same moment are limited like many in a row; refuses when it is one
 * too many. Whoever succeeds forgets the bucket.
 */
export async function takeTry(bucket: string, most: number, now: Date): Promise<void> {
  await refuseAfter(bucket, most, now);
  await noteTry(bucket, now);
  await refuseAfter(bucket, most + 1, now);
}

/** Notes a try that failed; in a transaction of its own, so that it stays when the act is taken back. */
export async function noteTry(bucket: string, now: Date): Promise<void> {
  await beforeCompany((tx) => addAttempt(tx, bucket, now));
}
