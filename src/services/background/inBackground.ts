import type { RunningQueue } from '@/data/queue/queue';
import { workOnQueue } from '@/data/queue/queue';
import type { Post } from '@/gateways/mail/post';
import { CarrierAway } from '@/gateways/mail/post';
import { remindByItself } from '../billing/reminders';
import { carrier } from '../carrier';
import { deliverAccountLetter, deliverLetter } from '../messages/deliver';
import { deliverNews } from '../webhooks/deliverNews';
import { webhookPost } from '../webhooks/webhookPost';
import { runPeriodically } from './runPeriodically';

/** Stands where a mail server was configured when letters were written, and none is now: they wait, and say so. */
const nobody: Post = {
  name: 'nobody',
  deliver: () => Promise.reject(new CarrierAway('No mail server is configured any more.')),
};

/**
 * Does what waits in the queue and what the clock asks for, in this process; any number of processes may. What cannot be
 * done now is tried again by the queue.
 * @param tell is told what went wrong with the queue itself
 */
const workInBackground = (tell: (error: unknown) => void): Promise<RunningQueue> =>
  workOnQueue(
    {
      letter: (task) => deliverLetter(task, carrier() ?? nobody, new Date()),
      'account-letter': (task) => deliverAccountLetter(task, carrier() ?? nobody),
      webhook: (task) => deliverNews(task, webhookPost(), new Date()),
      reminders: async () => {
        await remindByItself(new Date());
      },
    },
    { tell, clock: { reminders: '7 * * * *' } },
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
