import { findHintsAway, lockHintsAway, updateUser } from '@/data/accounts/user';
import { inCompany } from '@/data/connection';
import type { GuideEntry } from '@/model';
import type { Actor } from '../actor';
import { checkText } from '../check';
import { noSuch } from '../problem';
import { guideIndex } from './guide';

/** All hints at once. */
const ALL = 'all';

/** The pages of the guide by which hints are found, each with its hint where it is not put away; none where all are. */
export async function hintsFor(actor: Actor): Promise<readonly GuideEntry[]> {
  const away = await inCompany(actor, async (tx) => (await findHintsAway(tx, actor.userId))[0]?.away ?? []);
  if (away.includes(ALL)) return [];
  return (await guideIndex()).map((page) => (away.includes(page.slug) ? { ...page, hint: '' } : page));
}

/**
 * Puts a hint away for good, or all of them (`all`); one's own, whoever one is.
 * @throws Problem `no-such-page`
 */
export async function putHintAway(actor: Actor, which: unknown): Promise<void> {
  const slug = checkText(which, 60, 'The hint');
  if (slug !== ALL && !(await guideIndex()).some((page) => page.slug === slug)) throw noSuch('page');
  await inCompany(actor, async (tx) => {
    const [known] = await lockHintsAway(tx, actor.userId);
    await updateUser(tx, actor.userId, { hintsAway: [...new Set([...(known?.away ?? []), slug])] });
  });
}
