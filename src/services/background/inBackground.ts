import type { RunningQueue } from '@/data/queue/queue';
import { workOnQueue } from '@/data/queue/queue';
import { CarrierAway } from '@/gateways/mail/post';
import { remindByItself } from '../billing/reminders';
import { carrier } from '../carrier';
import { deliverAccountLetter, deliverLetter } from '../messages/deliver';
import { runPeriodically } from './runPeriodically';

/** The carrier that waiting letters go to. @throws CarrierAway where there is none any more */
function ownCarrier() {
  const post = carrier();
  if (!post) throw new CarrierAway('No mail server is configured any more.');
  return post;
}

/**
 * Does what waits in the queue and what the clock asks for, in this process; any number of processes may. What cannot be
 * done now is tried again by the queue.
 * @param tell is told what went wrong with the queue itself
 * @param poll seconds from one look to the next
 */
export const workInBackground = (tell: (error: unknown) => void, poll?: number): Promise<RunningQueue> =>
  workOnQueue(
    {
      letter: (task) => deliverLetter(task, ownCarrier(), new Date()),
      'account-letter': (task) => deliverAccountLetter(task, ownCarrier()),
      reminders: async () => {
        await remindByItself(new Date());
      },
    },
    { tell, clock: { reminders: '7 * * * *' }, ...(poll === undefined ? {} : { poll }) },
  );

/** Works on the queue as soon as the database answers, and until it is stopped. */
export function queueInBackground(tell: (error: unknown) => void): RunningQueue {
  let running: RunningQueue | null = null;
  const end = runPeriodically(
    async () => {
      running ??= await workInBackground(tell);
    },
    { first: 0, every: 15_000, tell },
  );
  return {
    stop: async () => {
      end();
      await running?.stop();
    },
  };
}
