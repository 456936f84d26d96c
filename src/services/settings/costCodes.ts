import { inCompany } from '@/data/connection';
import { companyOf, updateCompany } from '@/data/settings/company';
import type { CostCodes } from '@/model';
import { CostCodesInput } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { putOver } from '../over';
import { Problem } from '../problem';

/** The cost codes of the company, and which each trade has. */
export async function readCostCodes(actor: Actor): Promise<CostCodes> {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => (await companyOf(tx, actor.companyId)).costCodes);
}

/**
 * Changes the cost codes. Items and costs keep the codes they have; items added from now on without one have that of their
 * trade. Where it says what it stands over (`over`), what others changed since stays.
 * @throws Problem `code-unknown`, `code-taken`
 */
export async function saveCostCodes(actor: Actor, input: unknown): Promise<CostCodes> {
  allow(actor, 'library');
  const { over, ...typed } = check(CostCodesInput, input, 'The cost codes');
  return inCompany(actor, async (tx) => {
    const { costCodes: before } = await companyOf(tx, actor.companyId, 'update');
    const wanted = putOver<CostCodes>(before, typed, over);
    const known = new Set(wanted.codes.map(({ code }) => code));
    if (known.size < wanted.codes.length) throw new Problem('code-taken', 'A cost code stands there twice.');
    for (const [trade, code] of Object.entries(wanted.byTrade))
      if (!known.has(code))
        throw new Problem('code-unknown', `${trade} has the code ${code}, which is not in the list.`);
    await updateCompany(tx, actor.companyId, { costCodes: wanted });
    await recordAudit(tx, actor, 'cost codes changed', actor.companyId, {
      before: { codes: before.codes.length, byTrade: before.byTrade },
      after: { codes: wanted.codes.length, byTrade: wanted.byTrade },
    });
    return wanted;
  });
}
