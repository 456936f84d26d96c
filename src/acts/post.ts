import type { Transaction } from '@/data/connection';
import { message } from '@/data/schema';
import type { Letter } from '@/outside/post';
import { simulatedPost } from '@/outside/post';
import { newId } from './actor';

/** Puts a letter about a proposal in the post, and keeps it with what became of it. */
export async function postLetter(
  tx: Transaction,
  who: { readonly companyId: string; readonly now: Date },
  { proposalId, kind, ...letter }: Letter & { readonly proposalId: string; readonly kind: string },
): Promise<void> {
  await tx.insert(message).values({
    companyId: who.companyId,
    id: newId(who.now),
    proposalId,
    kind,
    toAddress: letter.to,
    subject: letter.subject,
    body: letter.body,
    state: simulatedPost.deliver(letter).state,
    at: who.now,
  });
}
