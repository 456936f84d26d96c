import { inCompany } from '@/data/connection';
import { findMarkOfAgreement } from '@/data/agreements/mark';
import type { Actor } from '../actor';
import { allow } from '../actor';
import { noSuch } from '../problem';

/**
 * A mark of what the page of an agreement shows at the desk that can change while it lies open: when it is another, the page
 * is read again.
 * @throws Problem `no-such-agreement`
 */
export async function agreementMark(actor: Actor, agreementId: string): Promise<string> {
  allow(actor, 'prices');
  const mark = await inCompany(actor, (tx) => findMarkOfAgreement(tx, agreementId));
  if (mark === null) throw noSuch('agreement');
  return mark;
}
