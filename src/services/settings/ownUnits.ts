import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { companyOf, updateCompany } from '@/data/settings/company';
import { ownUnit, ownUnitPattern, unitCodes, unitName } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { Problem } from '../problem';

const MOST = 60;
const Names = Type.Array(Type.String({ maxLength: 60 }), { maxItems: MOST });
const Input = Type.Object({ names: Names, over: Type.Optional(Names) }, { additionalProperties: false });

const pattern = new RegExp(ownUnitPattern);
const known = new Set(unitCodes.flatMap((code) => [code, unitName(code)]));

/**
 * Says in what the company counts beside the units everybody knows. Lines and items keep the unit they have. Where it says what
 * it stands over (`over`), what others added or took out since stays.
 * @throws Problem `unit-wrong`
 */
export async function saveOwnUnits(actor: Actor, input: unknown): Promise<readonly string[]> {
  allow(actor, 'library');
  const { names, over } = check(Input, input, 'The units');
  const typed = names.map((name) => name.trim()).filter((name) => name !== '');
  for (const name of typed) {
    if (!pattern.test(ownUnit(name)))
      throw new Problem('unit-wrong', `“${name}”: a unit has at most 20 letters, without : ; or a comma.`);
    if (known.has(name.toLowerCase()))
      throw new Problem('unit-wrong', `“${name}” is there already, among the units everybody knows.`);
  }
  if (new Set(typed.map((name) => name.toLowerCase())).size < typed.length)
    throw new Problem('unit-wrong', 'A unit stands there twice.');
  return inCompany(actor, async (tx) => {
    const { ownUnits: before } = await companyOf(tx, actor.companyId, 'update');
    const out = new Set((over ?? before).filter((name) => !typed.includes(name)));
    const meanwhile = before.filter((name) => !out.has(name) && !typed.includes(name));
    // What was typed stands in its order; where others took out what was only read here, it stays out.
    const stays = typed.filter((name) => over === undefined || !over.includes(name) || before.includes(name));
    const after = [...stays, ...meanwhile];
    if (after.length > MOST) throw new Problem('unit-wrong', `At most ${MOST} units of your own.`);
    await updateCompany(tx, actor.companyId, { ownUnits: after });
    await recordAudit(tx, actor, 'units changed', actor.companyId, { before, after });
    return after;
  });
}
