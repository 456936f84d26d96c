import type { Choices } from '@/model/choices';
import type { Booklet } from './types';

/** Choices as they compare: a decision that was not made is no difference. */
const written = ({ extras, questions, tiers }: Choices): string =>
  JSON.stringify(
    [extras, questions, tiers ?? {}].map((all) =>
      Object.entries(all).sort(([one], [other]) => (one < other ? -1 : 1)),
    ),
  );

/**
 * What to say to a reader whose booklet changed under their eyes; null where it speaks for itself.
 * @param chosen what they saw chosen
 */
export function newsIn(before: Booklet, now: Booklet, chosen: Choices): string | null {
  if (before.state === 'open' && now.agreement && !before.agreement)
    return `This was signed just now by ${now.agreement.signerName}.`;
  if (before.state === 'open' && now.state !== 'open')
    return {
      accepted: 'This was signed just now.',
      declined: 'This was declined just now.',
      lapsed: 'The day these prices hold until is over.',
      withdrawn: 'This proposal was taken back just now.',
      revising: 'This is being revised: what you see is what we sent last.',
    }[now.state];
  if (before.revision.id !== now.revision.id)
    return `We sent you a new one just now, revision ${now.revision.number}: this is it.`;
  if (now.state === 'open' && written(chosen) !== written(now.choices))
    return 'Somebody else with this link, or we for you, chose differently just now. This is how it stands.';
  const answered = now.questions.filter(({ answer }) => answer !== null).length;
  if (answered > before.questions.filter(({ answer }) => answer !== null).length)
    return 'Your question is answered; look below.';
  return null;
}
