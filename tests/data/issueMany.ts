// Issues invoices one after the other until it is killed; see money.test.ts.
import type { Actor } from '@/acts/actor';
import { issueInvoice } from '@/acts/agreements/issue';

const { actor, agreements } = JSON.parse(process.argv[2]!) as { actor: Actor; agreements: string[] };
const who = { ...actor, now: new Date(actor.now) };
for (const agreementId of agreements)
  for (const entryId of ['deposit', 'frame', 'final']) {
    const { number } = await issueInvoice(who, { agreementId, what: { entryId } });
    process.stdout.write(`${number}\n`);
  }
process.exit(0);
