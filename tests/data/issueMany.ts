// Issues and takes back invoices without end, saying so at each; is meant to be killed while it does.
import type { Actor } from '@/services/actor';
import { creditInvoice, issueInvoice } from '@/services/billing/issue';
import { Problem } from '@/services/problem';

const { actor, agreements } = JSON.parse(process.argv[2]!) as { actor: Actor; agreements: string[] };

for (let i = 0; ; i += 1) {
  const now = new Date();
  const agreementId = agreements[i % agreements.length]!;
  try {
    const { id } = await issueInvoice({ ...actor, now }, { agreementId, what: { amount: '10' } });
    process.stdout.write(`issued ${id}\n`);
    await creditInvoice({ ...actor, now }, { invoiceId: id, what: { whole: true }, remark: '' });
    process.stdout.write(`taken back ${id}\n`);
  } catch (error) {
    // What a killed one left is billed for good some day; then the next agreement is taken.
    if (!(error instanceof Problem)) throw error;
  }
}
