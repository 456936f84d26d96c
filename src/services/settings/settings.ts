import { refuseWrong } from '../refuseWrong';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { Accounts, CompanyMoney, CompanyPricing, UsualTerms } from '@/model';
import type { Actor } from '../actor';
import { allow, recordAudit } from '../actor';
import { check } from '../check';
import { companyOf, updateCompany } from '@/data/settings/company';
import { putOver } from '../over';
import { emptyDocument } from '../proposals/start';
import { detailsOf } from './company';

type Company = Awaited<ReturnType<typeof companyOf>>;
/** What the owner settles on the settings page. */
export type Settled = Pick<
  Company,
  'depositInvoiceOnAcceptance' | 'validityDays' | 'paymentDays' | 'usual' | 'pricing' | 'money'
>;
const settled = ({
  depositInvoiceOnAcceptance,
  validityDays,
  paymentDays,
  usual,
  pricing,
  money,
}: Settled): Settled => ({
  depositInvoiceOnAcceptance,
  validityDays,
  paymentDays,
  usual,
  pricing,
  money,
});

/** What the settings page shows. */
export async function readSettings(actor: Actor) {
  allow(actor, 'cost');
  return inCompany(actor, async (tx) => {
    const row = await companyOf(tx, actor.companyId);
    const { createdAt: _, ...settings } = row;
    return { company: settings, settled: settled(settings), details: detailsOf(row) };
  });
}

const parts = {
  depositInvoiceOnAcceptance: Type.Boolean(),
  validityDays: Type.Integer({ minimum: 1, maximum: 365 }),
  paymentDays: Type.Integer({ minimum: 0, maximum: 180 }),
  usual: UsualTerms,
  pricing: Type.Optional(CompanyPricing),
  money: Type.Optional(CompanyMoney),
};
const Settings = Type.Object(
  { ...parts, over: Type.Optional(Type.Object(parts, { additionalProperties: false })) },
  { additionalProperties: false },
);

/**
 * Changes how the company works; for the owner. Where it says what it stands over (`over`, the settings as they were read),
 * what others changed since stays; where both changed one thing, this stands.
 */
export async function saveSettings(actor: Actor, input: unknown): Promise<Settled> {
  allow(actor, 'settings');
  const { over, ...wanted } = check(Settings, input, 'The settings');
  return inCompany(actor, async (tx) => {
    const { currency, ...known } = await companyOf(tx, actor.companyId, 'update');
    const now = settled(known);
    const base: Settled = { ...now, ...over };
    const values = putOver<Settled>(now, { ...base, ...wanted }, base);
    refuseWrong(emptyDocument('Usual terms', currency, values.usual));
    for (const { name, loads } of values.pricing.loadSets)
      refuseWrong({ ...emptyDocument(name, currency, values.usual), loads });
    for (const { name, schedule } of values.money.presets)
      refuseWrong({ ...emptyDocument(name, currency, values.usual), schedule });
    await updateCompany(tx, actor.companyId, values);
    await recordAudit(tx, actor, 'settings changed', actor.companyId, { ...values });
    return values;
  });
}

/** Changes the accounts the journal books on; for the owner. */
export async function saveAccounts(actor: Actor, input: unknown): Promise<void> {
  allow(actor, 'settings');
  const accounts = check(Accounts, input, 'The accounts');
  await inCompany(actor, async (tx) => {
    const { money } = await companyOf(tx, actor.companyId, 'update');
    await updateCompany(tx, actor.companyId, { money: { ...money, accounts } });
    await recordAudit(tx, actor, 'accounts changed', actor.companyId, { ...accounts });
  });
}

/** The accounts the journal books on, where the company has its own. */
export async function readAccounts(actor: Actor): Promise<Accounts | null> {
  allow(actor, 'money');
  return inCompany(actor, async (tx) => (await companyOf(tx, actor.companyId)).money.accounts ?? null);
}
