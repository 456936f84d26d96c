import type { Booklet } from './types';

/**
 * What to say to a reader whose booklet changed under their eyes; null where it speaks for itself.
 * @param seen the count of changes of the choices they saw last; their own are in it
 */
export function newsIn(before: Booklet, now: Booklet, seen: number): string | null {
  if (before.state === 'open' && now.agreement && !before.agreement)
    return `This was signed just now by ${now.agreement.signerName}.`;
  if (before.state === 'open' && now.state !== 'open')
    return {
      accepted: 'This was signed just now.',
      declined: 'This was declined just now.',
      lapsed: 'The day these prices hold until is over.',
      withdrawn: 'This proposal was withdrawn just now.',
      revising: 'This is being revised: what you see is what we sent last.',
    }[now.state];
  if (before.revision.id !== now.revision.id)
    return `We sent you a new one just now, revision ${now.revision.number}: this is it.`;
  if (now.state === 'open' && now.chosen > seen)
    return 'Somebody else with this link, or we for you, chose just now. This is how it stands.';
  const answered = now.questions.filter(({ answer }) => answer !== null).length;
  if (answered > before.questions.filter(({ answer }) => answer !== null).length)
    return 'Your question is answered; look below.';
  return null;
}
