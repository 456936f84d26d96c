import type { SQL } from 'drizzle-orm';
import { or, sql } from 'drizzle-orm';
import type { Found, FoundThing } from '@/model';
import type { Transaction } from '../connection';
import { addressText, hasWords, peopleText } from '../words';

/** So many of a kind at most; that there are more is said, and where. */
const OF_A_KIND = 6;

interface Kind {
  readonly kind: FoundThing['kind'];
  readonly from: SQL;
  readonly where?: SQL;
  readonly id: SQL;
  readonly title: SQL;
  readonly detail: SQL;
  readonly words: readonly SQL[];
  /** Digits of a telephone number, where it has one. */
  readonly phone?: SQL;
  /** The newest or the likeliest first. */
  readonly order: SQL;
  readonly address: (row: { readonly id: string; readonly of: string }) => string;
  /** What stands in the address beside the id. */
  readonly of?: SQL;
}

const ofTheirs = sql`p.company_id = c.company_id and p.customer_id = c.id`;
const place = addressText(sql`s.address`);

const kinds: readonly Kind[] = [
  {
    kind: 'customer',
    from: sql`customer c`,
    id: sql`c.id`,
    title: sql`c.name`,
    detail: sql`concat_ws(' · ', nullif(c.phone, ''), nullif(c.email, ''), (select concat_ws(', ', s.address->>'street', s.address->>'city')
      from site s where s.company_id = c.company_id and s.customer_id = c.id order by s.created_at limit 1))`,
    words: [
      sql`c.name`,
      sql`c.contact_name`,
      sql`c.email`,
      sql`c.phone`,
      sql`(select string_agg(${place}, ' ') from site s where s.company_id = c.company_id and s.customer_id = c.id)`,
      peopleText(ofTheirs),
    ],
    phone: sql`concat_ws(' ', regexp_replace(c.phone, '\\D', '', 'g'),
      (select string_agg(regexp_replace(p.phone, '\\D', '', 'g'), ' ') from customer_person p where ${ofTheirs}))`,
    order: sql`lower(c.name)`,
    address: ({ id }) => `/customers/${id}`,
  },
  {
    kind: 'proposal',
    from: sql`proposal p join customer c on c.company_id = p.company_id and c.id = p.customer_id
      join site s on s.company_id = p.company_id and s.id = p.site_id`,
    where: sql`p.agreement_id is null`,
    id: sql`p.id`,
    title: sql`p.title`,
    detail: sql`concat_ws(' · ', 'No. ' || p.number, c.name, s.address->>'street')`,
    words: [sql`p.number::text`, sql`p.title`, sql`c.name`, place],
    order: sql`p.updated_at desc`,
    address: ({ id }) => `/proposals/${id}`,
  },
  {
    kind: 'agreement',
    from: sql`agreement a join customer c on c.company_id = a.company_id and c.id = a.customer_id
      join site s on s.company_id = a.company_id and s.id = a.site_id`,
    id: sql`a.id`,
    title: sql`a.title`,
    detail: sql`concat_ws(' · ', 'Agreement ' || a.number, c.name, s.address->>'street')`,
    words: [sql`a.number::text`, sql`a.title`, sql`c.name`, place],
    order: sql`a.number desc`,
    address: ({ id }) => `/agreements/${id}`,
  },
  {
    kind: 'change order',
    from: sql`proposal p join customer c on c.company_id = p.company_id and c.id = p.customer_id`,
    where: sql`p.agreement_id is not null`,
    id: sql`p.id`,
    title: sql`p.title`,
    detail: sql`c.name`,
    words: [sql`p.title`, sql`c.name`],
    order: sql`p.updated_at desc`,
    address: ({ id }) => `/proposals/${id}`,
  },
  {
    kind: 'invoice',
    from: sql`invoice i join agreement a on a.company_id = i.company_id and a.id = i.agreement_id
      join customer c on c.company_id = a.company_id and c.id = a.customer_id`,
    id: sql`i.id`,
    title: sql`i.label || ' ' || i.title`,
    detail: sql`concat_ws(' · ', c.name, a.title)`,
    words: [sql`i.label`, sql`i.title`, sql`a.title`, sql`c.name`],
    order: sql`i.issued_at desc`,
    address: ({ id }) => `/money/${id}`,
  },
  {
    kind: 'payment',
    from: sql`payment m join customer c on c.company_id = m.company_id and c.id = m.customer_id`,
    id: sql`m.id`,
    of: sql`m.agreement_id::text`,
    title: sql`m.reference`,
    detail: sql`concat_ws(' · ', c.name, m.received_on::text, m.amount::text)`,
    where: sql`m.reference <> ''`,
    words: [sql`m.reference`, sql`c.name`],
    order: sql`m.received_on desc`,
    address: ({ of }) => `/agreements/${of}`,
  },
  {
    kind: 'bundle',
    from: sql`bundle b`,
    where: sql`b.retired_at is null`,
    id: sql`b.id`,
    title: sql`b.name`,
    detail: sql`concat_ws(' · ', b.code, b.trade)`,
    words: [sql`b.code`, sql`b.name`],
    order: sql`lower(b.name)`,
    address: ({ id }) => `/library/bundles/${id}`,
  },
  {
    kind: 'item',
    from: sql`item i`,
    where: sql`i.retired_at is null`,
    id: sql`i.id`,
    title: sql`i.name`,
    detail: sql`concat_ws(' · ', i.code, i.trade)`,
    words: [sql`i.code`, sql`i.name`],
    order: sql`lower(i.name)`,
    address: ({ id }) => `/library/items/${id}`,
  },
];

/**
 * What of the company has all the words of a search: customers (by telephone, too, however it is written), proposals, change
 * orders, agreements, invoices, payments, bundles and items; some of each.
 */
export async function findThings(tx: Transaction, search: string): Promise<Found> {
  const digits = search.replace(/\D/g, '');
  const found: FoundThing[] = [];
  const more: FoundThing['kind'][] = [];
  for (const each of kinds) {
    const byPhone =
      each.phone && digits.length >= 4 && /^[\d\s()+./-]+$/.test(search.trim())
        ? sql`${each.phone} like ${`%${digits}%`}`
        : undefined;
    const fits = or(hasWords(search, ...each.words), byPhone);
    const { rows } = await tx.execute<{ id: string; of: string; title: string; detail: string }>(
      sql`select ${each.id} as id, ${each.of ?? sql`''`} as "of", ${each.title} as title, ${each.detail} as detail
          from ${each.from} where ${fits ?? sql`true`} ${each.where ? sql`and ${each.where}` : sql``}
          order by ${each.order} limit ${OF_A_KIND + 1}`,
    );
    if (rows.length > OF_A_KIND) more.push(each.kind);
    for (const { id, of, title, detail } of rows.slice(0, OF_A_KIND))
      found.push({ kind: each.kind, id, title, detail, address: each.address({ id, of }) });
  }
  return { found, more };
}
