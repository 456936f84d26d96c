import { refuseWrong } from '../refuseWrong';
import Type from 'typebox';
import { inCompany } from '@/data/connection';
import { Accounts, CompanyMoney, CompanyPricing, UsualTerms } from '@/model';
import canonicalize from 'canonicalize';
import type { Actor } from '../actor';
import { allow, businessDate, recordAudit } from '../actor';
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

/** Of two states, the parts that differ, before and after: what a subject says, and nothing of the others. */
function changedParts(before: Settled, after: Settled): { before: object; after: object } {
  const differing = (one: object, other: object): [object, object] => {
    const keys = [...new Set([...Object.keys(one), ...Object.keys(other)])];
    const [was, is]: [Record<string, unknown>, Record<string, unknown>] = [{}, {}];
    for (const key of keys) {
      const [a, b] = [(one as Record<string, unknown>)[key], (other as Record<string, unknown>)[key]];
      if (canonicalize(a) === canonicalize(b)) continue;
      const [x, y] = isPlain(a) && isPlain(b) ? differing(a, b) : [a, b];
      if (x !== undefined) was[key] = x;
      if (y !== undefined) is[key] = y;
    }
    return [was, is];
  };
  const [was, is] = differing(before, after);
  return { before: was, after: is };
}

const isPlain = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Changes how the company works; for the owner. Where it says what it stands over (`over`, the settings as they were read),
 * what others changed since stays; where both changed one thing, this stands.
 */
export async function saveSettings(actor: Actor, input: unknown): Promise<Settled> {
  allow(actor, 'settings');
  const { over, ...wanted } = check(Settings, input, 'The settings');
  return inCompany(actor, async (tx) => {
    const { currency, ...known } = await companyOf(tx, actor.companyId, 'update');
    const today = businessDate(actor.now, known.timeZone);
    const now = settled(known);
    const base: Settled = { ...now, ...over };
    const values = putOver<Settled>(now, { ...base, ...wanted }, base);
    refuseWrong(emptyDocument('Usual terms', currency, values.usual, today));
    for (const { name, loads } of values.pricing.loadSets)
      refuseWrong({ ...emptyDocument(name, currency, values.usual, today), loads });
    for (const { name, schedule } of values.money.presets)
      refuseWrong({ ...emptyDocument(name, currency, values.usual, today), schedule });
    await updateCompany(tx, actor.companyId, values);
    await recordAudit(tx, actor, 'settings changed', actor.companyId, changedParts(now, values));
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
