-- Bundles, costs of items over time, what is used often: who may touch which rows, and the search over items and bundles.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['item_cost', 'bundle', 'bundle_use', 'library_use', 'library_star'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['bundle', 'library_use'] LOOP
    EXECUTE format('GRANT UPDATE ON %I TO impegno_app', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- These two say nothing of their own: one follows from the recipe, the other is a bookmark.
GRANT DELETE ON bundle_use, library_star TO impegno_app;
--> statement-breakpoint
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON item_cost FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint

-- A code names one thing, item or bundle.
CREATE FUNCTION check_library_code() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF (TG_TABLE_NAME = 'bundle' AND EXISTS (SELECT 1 FROM item WHERE company_id = NEW.company_id AND code = NEW.code))
    OR (TG_TABLE_NAME = 'item' AND EXISTS (SELECT 1 FROM bundle WHERE company_id = NEW.company_id AND code = NEW.code)) THEN
    RAISE EXCEPTION 'the code % is taken', NEW.code USING ERRCODE = 'unique_violation', CONSTRAINT = 'library_code';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER one_code BEFORE INSERT OR UPDATE OF code ON bundle FOR EACH ROW EXECUTE FUNCTION check_library_code();
--> statement-breakpoint
CREATE TRIGGER one_code BEFORE INSERT OR UPDATE OF code ON item FOR EACH ROW EXECUTE FUNCTION check_library_code();
--> statement-breakpoint

-- The search of the library, over items and bundles. As before: it runs as the owner of the tables, because row level
-- security keeps every index on text from being used, and asks for the company itself. Each word must fit: as it is typed
-- (one or two letters only where a word begins), or, where the library has it nowhere, by likeness. The text of a bundle
-- goes on behind a bar with the words of its parts; they fit too, and are worth as much as letters inside a word. What is
-- used often in sections of a kind, and what the person starred, comes before its likes. Without words: what is used or
-- starred.
DROP FUNCTION search_items(text[], jsonb, integer);
--> statement-breakpoint
CREATE FUNCTION search_library(words text[], worth jsonb, narrow jsonb, most integer)
RETURNS TABLE (found_id uuid, kind text)
LANGUAGE plpgsql STABLE SECURITY DEFINER
SET search_path = public, pg_temp
SET pg_trgm.word_similarity_threshold = 0.45
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
        ' + CASE WHEN lower(code) = %L THEN %s WHEN lower(code) LIKE %L THEN %s WHEN '' '' || translate(lower(name), '',;:()'', ''     '') || '' '' LIKE %L THEN %s
                 WHEN lower(name) LIKE %L THEN %s WHEN split_part(search_text, ''|'', 1) LIKE %L THEN %s
                 WHEN split_part(search_text, ''|'', 1) LIKE %L THEN %s ELSE %s END',
        word, (worth->>'exactCode')::integer, escaped || '%', (worth->>'codeStart')::integer,
        ' ' || escaped || ' %', (worth->>'nameWord')::integer, escaped || '%', (worth->>'nameStart')::integer, '% ' || escaped || ' %', (worth->>'wholeWord')::integer,
        '% ' || escaped || '%', (worth->>'wordStart')::integer, (worth->>'inside')::integer);
    ELSE
      fits := fits || format(' AND %L <%% search_text', word);
      rank := rank || format(' + %s * word_similarity(%L, search_text)', (worth->>'similar')::integer, word);
    END IF;
  END LOOP;
  IF cardinality(words) > 1 THEN
    rank := rank || format(
      ' + CASE WHEN '' '' || translate(lower(name), '',;:()'', ''     '') LIKE %L THEN %s ELSE 0 END',
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
         WHERE company_id = $1 AND retired_at IS NULL' || fits
      || CASE WHEN narrow->>'costType' IS NULL THEN ''
              ELSE format(' AND costs @> %L', jsonb_build_array(jsonb_build_object('type', narrow->>'costType'))) END
      END
    || CASE WHEN narrow->>'kind' IS NULL THEN ' UNION ALL ' ELSE '' END
    || CASE WHEN narrow->>'kind' = 'item' THEN '' ELSE
      'SELECT id, ''bundle'' AS kind, code, ' || rank || ' AS rank FROM bundle
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
--> statement-breakpoint
REVOKE ALL ON FUNCTION search_library FROM public;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION search_library TO impegno_app;
