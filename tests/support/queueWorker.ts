import { onlyAsServer } from '@/data/connection';
import { queues } from '@/data/queue/queues';
import { workOnQueue } from '@/data/queue/queue';
import { carrier } from '@/services/carrier';
import { deliverAccountLetter, deliverLetter } from '@/services/messages/deliver';
import { deliverNews } from '@/services/webhooks/deliverNews';
import { webhookPost } from '@/services/webhooks/webhookPost';

/* A process that works on the queue, as a server does, until it is ended. It says “at work” when it begins. */

onlyAsServer();
const running = await workOnQueue(
  {
    letter: (task) => deliverLetter(task, carrier()!, new Date()),
    'account-letter': (task) => deliverAccountLetter(task, carrier()!),
    webhook: (task) => deliverNews(task, webhookPost(), new Date()),
    reminders: () => Promise.resolve(),
  },
  { tell: (error) => console.error(error), poll: 0.5 },
);
process.stdout.write(`at work on ${Object.keys(queues).length}\n`);
process.on('SIGTERM', () => void running.stop().then(() => process.exit(0)));
