import { and, desc, eq, lt, not, sql } from 'drizzle-orm';
import { inCompany } from '@/data/connection';
import { customerOfAgreement } from '@/data/joins';
import { agreement, agreementMoney, customer, site } from '@/data/schema';
import { addressText, hasWords } from '@/data/words';
import type { Actor } from '../actor';
import { businessDate } from '../actor';
import { companyOf } from '@/data/settings/company';
import { loadAgreements } from '@/data/agreements/load';
import { standingAndTrack } from '@/core/billing';

/** Which agreements: those with something to bill, to come in, held back or to the customer's credit, those without, or both. */
export const agreementGroups = ['all', 'under way', 'finished'] as const;
export type AgreementGroup = (typeof agreementGroups)[number];

export interface AgreementsWanted {
  /** Words that number, title, customer or address have, all of them. */
  readonly search?: string;
  readonly show?: AgreementGroup;
  /** Those with a lower number. */
  readonly before?: number | null;
  /** How many at most. */
  readonly most?: number;
}

// Money that was never asked for, is open, is held back, or is on no invoice. The sums are those the database keeps itself.
const underWay = sql<boolean>`(
  ${agreement.total} + coalesce((select sum(c.total) from change_order c
    where c.company_id = ${agreement.companyId} and c.agreement_id = ${agreement.id}), 0)
    <> coalesce(${agreementMoney.billed}, 0)
  or coalesce(${agreementMoney.held}, 0) <> 0
  or coalesce(${agreementMoney.credit}, 0) <> 0
  or exists (select 1 from invoice i join invoice_open o on o.company_id = i.company_id and o.invoice_id = i.id
    where i.company_id = ${agreement.companyId} and i.agreement_id = ${agreement.id} and o.open > 0))`;

const numberText = sql`${agreement.number}::text`;

/** Agreements with their standing, newest first, and whether older ones fit too. */
export async function listAgreements(
  actor: Actor,
  { search = '', show = 'all', before = null, most = 50 }: AgreementsWanted = {},
) {
  return inCompany(actor.companyId, async (tx) => {
    const ours = await companyOf(tx, actor.companyId);
    const found = await tx
      .select({ id: agreement.id, customer: customer.name, site: site.address })
      .from(agreement)
      .innerJoin(customer, customerOfAgreement)
      .innerJoin(site, and(eq(site.companyId, agreement.companyId), eq(site.id, agreement.siteId)))
      .leftJoin(
        agreementMoney,
        and(eq(agreementMoney.companyId, agreement.companyId), eq(agreementMoney.agreementId, agreement.id)),
      )
      .where(
        and(
          hasWords(search, agreement.title, customer.name, addressText(site.address), numberText),
          show === 'under way' ? underWay : show === 'finished' ? not(underWay) : undefined,
          before === null ? undefined : lt(agreement.number, before),
        ),
      )
      .orderBy(desc(agreement.number))
      .limit(most + 1);
    const heads = found.slice(0, most);
    const loaded = await loadAgreements(
      tx,
      heads.map(({ id }) => id),
    );
    return {
      rows: loaded.map((each, i) => ({
        id: each.head.id,
        number: each.head.number,
        title: each.head.title,
        customer: heads[i]!.customer,
        site: `${heads[i]!.site.street}, ${heads[i]!.site.city}`,
        signedOn: businessDate(each.head.acceptedAt, ours.timeZone),
        ...standingAndTrack(each),
      })),
      more: found.length > most,
    };
  });
}

export type AgreementRow = Awaited<ReturnType<typeof listAgreements>>['rows'][number];
