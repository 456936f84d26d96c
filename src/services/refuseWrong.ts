import { checkDocument } from '@/core/offer';
import type { ProposalDocument } from '@/model';
import { Problem } from './problem';

/**
 * The document is one that can be stored; refuses with its first problem when not.
 * @throws Problem `document-wrong`
 */
export function refuseWrong(document: ProposalDocument): void {
  const wrong = checkDocument(document).filter(({ weight }) => weight === 'wrong');
  if (wrong.length > 0)
    throw new Problem('document-wrong', wrong[0]!.message, {
      errors: wrong.map(({ partId, message }) => ({ pointer: partId ?? '', detail: message })),
    });
}
