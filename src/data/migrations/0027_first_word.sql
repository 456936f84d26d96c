-- A name that begins with the word goes before one that contains it, however often the other is used.
CREATE OR REPLACE FUNCTION search_library(words text[], worth jsonb, narrow jsonb, most integer)
RETURNS TABLE (found_id uuid, kind text)
LANGUAGE plpgsql STABLE SECURITY DEFINER
SET search_path = public, pg_temp
SET enable_seqscan = off
SET jit = off
AS $$
DECLARE
  company uuid := nullif(current_setting('app.company', true), '')::uuid;
  word text;
  escaped text;
  inside text;
  known boolean;
  fits text := '';
  rank text := '0';
  likely text[];
  asked text;
  most_apart integer;
BEGIN
  FOREACH word IN ARRAY words LOOP
    escaped := replace(replace(replace(word, '\', '\\'), '%', '\%'), '_', '\_');
    inside := CASE WHEN length(word) < 3 THEN '% ' ELSE '%' END || escaped || '%';
    EXECUTE 'SELECT EXISTS (SELECT 1 FROM item WHERE company_id = $1 AND search_text LIKE ' || quote_literal(inside) || ')
      OR EXISTS (SELECT 1 FROM bundle WHERE company_id = $1 AND search_text LIKE ' || quote_literal(inside) || ')'
      INTO known USING company;
    IF known THEN
      fits := fits || ' AND search_text LIKE ' || quote_literal(inside);
      rank := rank || format(
        ' + CASE WHEN c = %L THEN %s WHEN c LIKE %L THEN %s WHEN n LIKE %L THEN %s WHEN n LIKE %L THEN %s
                 WHEN n LIKE %L THEN %s WHEN o LIKE %L THEN %s
                 WHEN o LIKE %L THEN %s ELSE %s END',
        word, (worth->>'exactCode')::integer, escaped || '%', (worth->>'codeStart')::integer,
        ' ' || escaped || ' %', coalesce(worth->>'nameFirst', worth->>'nameWord')::integer,
        '% ' || escaped || ' %', (worth->>'nameWord')::integer, ' ' || escaped || '%', (worth->>'nameStart')::integer, '% ' || escaped || ' %', (worth->>'wholeWord')::integer,
        '% ' || escaped || '%', (worth->>'wordStart')::integer, (worth->>'inside')::integer);
    ELSE
      -- A word the library has nowhere: the words that differ from it (or begin unlike it) by a letter or two.
      asked := word;
      most_apart := CASE WHEN length(word) < 5 THEN 1 ELSE 2 END;
      likely := ARRAY(
        SELECT near.word FROM (
          SELECT w.word, least(levenshtein_less_equal(w.word, asked, most_apart),
                               levenshtein_less_equal(left(w.word, length(asked)), asked, most_apart)) AS apart
          FROM library_word AS w
          WHERE w.company_id = company AND asked ~ '^[[:alpha:]]{3,30}$'
            AND length(w.word) >= length(asked) - most_apart
            AND left(w.word, 1) IN (left(asked, 1), substr(asked, 2, 1))
        ) AS near
        WHERE near.apart <= most_apart
        ORDER BY near.apart, length(near.word), near.word LIMIT 8);
      IF cardinality(likely) > 0 THEN
        fits := fits || ' AND (' || (SELECT string_agg('search_text LIKE ' || quote_literal('% ' || each || '%'), ' OR ') FROM unnest(likely) AS each) || ')';
        -- The nearest of them counts most, in the name more than elsewhere; where the name begins with it, most of all.
        rank := rank || ' + CASE' || (
          SELECT string_agg(
                   format(' WHEN n LIKE %L THEN %s WHEN n LIKE %L THEN %s WHEN o LIKE %L THEN %s',
                     ' ' || each || '%', 3 * (worth->>'similar')::integer - at,
                     '% ' || each || '%', 2 * (worth->>'similar')::integer - at,
                     '% ' || each || '%', (worth->>'similar')::integer - at), '' ORDER BY at)
          FROM unnest(likely) WITH ORDINALITY AS list(each, at)) || ' ELSE 1 END';
      ELSE
        RETURN;
      END IF;
    END IF;
  END LOOP;
  IF cardinality(words) > 1 THEN
    rank := rank || format(
      ' + CASE WHEN n LIKE %L THEN %s ELSE 0 END',
      '% ' || replace(replace(replace(array_to_string(words, ' '), '\', '\\'), '%', '\%'), '_', '\_') || '%',
      (worth->>'phrase')::integer);
  END IF;
  IF cardinality(words) = 0 AND NOT coalesce((narrow->>'all')::boolean, false) THEN
    fits := ' AND id IN (SELECT used_id FROM library_use WHERE company_id = $1
                         UNION SELECT starred_id FROM library_star WHERE company_id = $1 AND user_id = $4)';
  END IF;
  IF narrow->>'trade' IS NOT NULL THEN
    fits := fits || format(' AND trade = %L', narrow->>'trade');
  END IF;
  IF narrow->>'tag' IS NOT NULL THEN
    fits := fits || format(' AND %L = ANY (tags)', narrow->>'tag');
  END IF;
  RETURN QUERY EXECUTE
    'WITH found AS ('
    || CASE WHEN narrow->>'kind' = 'bundle' THEN '' ELSE
      'SELECT id, ''item'' AS kind, code, ' || rank || ' AS rank FROM item
         CROSS JOIN LATERAL (SELECT lower(code) AS c, '' '' || translate(lower(name), '',;:()'', ''     '') || '' '' AS n,
           split_part(search_text, ''|'', 1) AS o OFFSET 0) AS plain
         WHERE company_id = $1 AND retired_at IS NULL' || fits
      || CASE WHEN narrow->>'costType' IS NULL THEN ''
              ELSE format(' AND costs @> %L', jsonb_build_array(jsonb_build_object('type', narrow->>'costType'))) END
      END
    || CASE WHEN narrow->>'kind' IS NULL THEN ' UNION ALL ' ELSE '' END
    || CASE WHEN narrow->>'kind' = 'item' THEN '' ELSE
      'SELECT id, ''bundle'' AS kind, code, ' || rank || ' AS rank FROM bundle
         CROSS JOIN LATERAL (SELECT lower(code) AS c, '' '' || translate(lower(name), '',;:()'', ''     '') || '' '' AS n,
           split_part(search_text, ''|'', 1) AS o OFFSET 0) AS plain
         WHERE company_id = $1 AND retired_at IS NULL' || fits
      || CASE WHEN narrow->>'costType' IS NULL THEN '' ELSE ' AND false' END
      END
    || '), used AS (
         SELECT used_id, sum(count) FILTER (WHERE section_kind = $3) AS here, sum(count) AS anywhere
         FROM library_use WHERE company_id = $1 GROUP BY used_id)
       SELECT found.id, found.kind FROM found
       LEFT JOIN used ON used.used_id = found.id
       LEFT JOIN library_star star ON star.company_id = $1 AND star.user_id = $4 AND star.starred_id = found.id
       ORDER BY rank + least($5, $5 * ln(1 + coalesce(here, 0)) / 3) + least($5 / 4.0, $5 * ln(1 + coalesce(anywhere, 0)) / 12)
                + CASE WHEN star.starred_id IS NULL THEN 0 ELSE $6 END DESC, lower(found.code)
       LIMIT $2'
    USING company, most, coalesce(narrow->>'sectionKind', ''), nullif(narrow->>'userId', '')::uuid,
      (worth->>'often')::integer, (worth->>'starred')::integer;
END $$;
