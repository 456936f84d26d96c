import type { SQL } from 'drizzle-orm';
import { or, sql } from 'drizzle-orm';
import type { ListState } from '@/core/lists';
import type { ListSource } from '../lists/listQuery';
import { searchTable } from './search';

/**
 * Cost of one unit as the core works it out (`itemUnitCost`): each part to six places, then rounded by itself to those of
 * `UNIT_COST_PLACES`. A test holds the two equal.
 */
const unitCost = sql`(select coalesce(sum(round(round(case
      when part ? 'amount' then (part->>'amount')::numeric
      when part ? 'times' then (part->>'times')::numeric * (part->>'rate')::numeric
      when part ? 'days' then (part->>'days')::numeric * (part->>'dayRate')::numeric
      when part->>'overtime' = 'true' and part ? 'overtimeRate'
        then (part->>'hours')::numeric * (part->>'overtimeRate')::numeric
      else (part->>'hours')::numeric * (part->>'rate')::numeric end, 6), 4)), 0)
    from jsonb_array_elements(costs) part)`;

const everything = sql`(
      select company_id, id, 'item' as kind, code, name, trade, tags, unit, costs, ${unitCost} as unit_cost,
        null::jsonb as recipe, retired_at, search_text, created_at from item
      union all
      select company_id, id, 'bundle', code, name, trade, tags, null, null, null, recipe, retired_at, search_text,
        created_at from bundle) l`;

/** A name as far as two of them are the same: letters and figures, whatever stands between them. */
const plainName = (name: SQL) => sql`lower(regexp_replace(${name}, '[^[:alnum:]]+', '', 'g'))`;

/** What the library should be looked after for, on a business date: each of them one of its filters. */
const care = (today: string): Readonly<Record<string, SQL>> => {
  const aYearAgo = sql`${today}::date - interval '1 year'`;
  return {
    // Taken into no proposal for a year, and in no bundle that is in use.
    unused: sql`(not exists (select from library_use u where u.used_id = l.id and u.last_at > ${aYearAgo})
      and l.id::text not in (select part->>'item' from bundle b, jsonb_array_elements(b.recipe->'parts') part
        where b.retired_at is null and part->>'item' is not null)
      and l.id::text not in (select part->>'bundle' from bundle b, jsonb_array_elements(b.recipe->'parts') part
        where b.retired_at is null and part->>'bundle' is not null)
      and l.created_at < ${aYearAgo})`,
    old: sql`(l.kind = 'item' and l.costs <> '[]'::jsonb and coalesce(
      (select max(c.at) from item_cost c where c.company_id = l.company_id and c.item_id = l.id), l.created_at)
      < ${aYearAgo})`,
    double: sql`(${plainName(sql`l.name`)}, l.kind) in (
      select ${plainName(sql`d.name`)}, d.kind from (
        select name, 'item' as kind from item where retired_at is null
        union all select name, 'bundle' from bundle where retired_at is null) d
      group by 1, 2 having count(*) > 1)`,
  };
};

/** No library holds more. */
const ALL = 1_000_000;

/**
 * Items and bundles as one list. Words are looked for as everywhere in the library (any order, a letter or two forgiven, best
 * first); among what is retired, as they are written.
 */
export function libraryListSource(userId: string, today: string, { search, filters }: ListState): ListSource {
  const careful = care(today);
  const retired = filters.state?.includes('retired') === true;
  const used = filters.state === undefined || filters.state.includes('used');
  const ranked = search.trim() !== '' && !retired;
  const found: SQL = ranked
    ? sql`${searchTable(search, { all: true, userId }, ALL)} with ordinality as f(found_id, kind, rank)
        join ${everything} on l.id = f.found_id`
    : everything;
  return {
    from: sql`${found} left join library_star s
        on s.company_id = l.company_id and s.user_id = ${userId} and s.starred_id = l.id`,
    where: retired ? (used ? undefined : sql`l.retired_at is not null`) : sql`l.retired_at is null`,
    columns: {
      code: sql`l.code`,
      name: sql`l.name`,
      trade: sql`l.trade`,
      kind: sql`l.kind`,
      of: sql`(select array_agg(distinct part->>'type') from jsonb_array_elements(l.costs) part)`,
      unit: sql`l.unit`,
      tags: sql`l.tags`,
      unitCost: sql`l.unit_cost::text`,
    },
    also: {
      id: sql`l.id`,
      starred: sql`s.starred_id is not null`,
      retired: sql`l.retired_at is not null`,
      inputs: sql`(select array_agg(input->>'label') from jsonb_array_elements(l.recipe->'inputs') input)`,
      parts: sql`jsonb_array_length(l.recipe->'parts')`,
      grades: sql`(select array_agg(grade->>'name') from jsonb_array_elements(l.recipe->'grades') grade)`,
    },
    sortBy: {
      order: ranked ? sql`f.rank` : sql`(l.trade, l.kind = 'item', l.code)`,
      trade: sql`(l.trade, l.kind = 'item', l.code)`,
      unitCost: sql`l.unit_cost`,
      starred: sql`s.starred_id is not null`,
    },
    words: ranked ? [] : [sql`l.search_text`],
    filters: {
      kind: sql`l.kind`,
      trade: sql`l.trade`,
      of: (values) =>
        sql`exists (select from jsonb_array_elements(l.costs) part where part->>'type' in ${[...values]})`,
      unitCost: sql`l.unit_cost`,
      starred: sql`s.starred_id is not null`,
      care: (values) => or(...values.flatMap((value) => careful[value] ?? [])) ?? sql`true`,
    },
    id: sql`l.id`,
  };
}
