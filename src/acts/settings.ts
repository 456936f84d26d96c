import { asc, eq } from 'drizzle-orm';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { company, user } from '@/data/schema';
import { Accounts, CompanyMoney, CompanyPricing, UsualTerms } from '@/model';
import type { Actor } from './actor';
import { allow, note } from './actor';
import { check } from './check';
import { companyOf } from './company';
import { emptyDocument, refuseWrong } from './proposals/start';

/** What the settings page shows. */
export async function readSettings(actor: Actor) {
  return inCompany(actor.companyId, async (tx) => {
    const { createdAt: _, ...settings } = await companyOf(tx, actor.companyId);
    const users = await tx
      .select({ id: user.id, name: user.name, email: user.email, role: user.role })
      .from(user)
      .orderBy(asc(user.name));
    return { company: settings, users };
  });
}

const Settings = Type.Object(
  {
    depositInvoiceOnAcceptance: Type.Boolean(),
    validityDays: Type.Integer({ minimum: 1, maximum: 365 }),
    paymentDays: Type.Integer({ minimum: 0, maximum: 180 }),
    usual: UsualTerms,
    pricing: Type.Optional(CompanyPricing),
    money: Type.Optional(CompanyMoney),
  },
  { additionalProperties: false },
);

/** Changes how the company works; for the owner. */
export async function saveSettings(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner');
  const values = check(Settings, input, 'The settings');
  await inCompany(actor.companyId, async (tx) => {
    const { currency } = await companyOf(tx, actor.companyId);
    refuseWrong(emptyDocument('Usual terms', currency, values.usual));
    for (const { name, loads } of values.pricing?.loadSets ?? [])
      refuseWrong({ ...emptyDocument(name, currency, values.usual), loads });
    for (const { name, schedule } of values.money?.presets ?? [])
      refuseWrong({ ...emptyDocument(name, currency, values.usual), schedule });
    await tx.update(company).set(values).where(eq(company.id, actor.companyId));
    await note(tx, actor, 'settings changed', actor.companyId, { ...values });
  });
}

/** Changes the accounts the journal books on; for the owner. */
export async function saveAccounts(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'owner');
  const accounts = check(Accounts, input, 'The accounts');
  await inCompany(actor.companyId, async (tx) => {
    const { money } = await companyOf(tx, actor.companyId);
    await tx
      .update(company)
      .set({ money: { ...money, accounts } })
      .where(eq(company.id, actor.companyId));
    await note(tx, actor, 'accounts changed', actor.companyId, { ...accounts });
  });
}
