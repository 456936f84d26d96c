import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import type { ListState } from '@/core/lists';
import type { ListSource } from '../lists/listQuery';
import { searchTable } from './search';

/**
 * Cost of one unit as the core works it out (`itemUnitCost`, places of `UNIT_COST_PLACES`): each part rounded by itself. A
 * test holds the two equal.
 */
const unitCost = sql`(select coalesce(sum(round(
      case part->>'type' when 'labour' then (part->>'hours')::numeric * (part->>'rate')::numeric
        else (part->>'amount')::numeric end, 4)), 0)
    from jsonb_array_elements(costs) part)`;

const everything = sql`(
      select company_id, id, 'item' as kind, code, name, trade, tags, unit, costs, ${unitCost} as unit_cost,
        null::jsonb as recipe, retired_at, search_text from item
      union all
      select company_id, id, 'bundle', code, name, trade, tags, null, null, null, recipe, retired_at, search_text
      from bundle) l`;

/** No library holds more. */
const ALL = 1_000_000;

/**
 * Items and bundles as one list. Words are looked for as everywhere in the library (any order, a letter or two forgiven, best
 * first); among what is retired, as they are written.
 */
export function libraryListSource(userId: string, { search, filters }: ListState): ListSource {
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
    },
    id: sql`l.id`,
  };
}
