-- What the tables alone cannot say: who may touch which rows, what never changes, what must add up.

-- The application works under a role of its own, never as the owner of the tables.
DO $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'impegno_app') THEN
    BEGIN
      CREATE ROLE impegno_app NOLOGIN;
    EXCEPTION WHEN duplicate_object OR unique_violation THEN
      NULL; -- another database of this cluster made it at the same moment
    END;
  END IF;
  IF NOT pg_has_role(current_user, 'impegno_app', 'MEMBER') THEN
    EXECUTE format('GRANT impegno_app TO %I', current_user);
  END IF;
END $$;
--> statement-breakpoint
GRANT USAGE ON SCHEMA public TO impegno_app;
--> statement-breakpoint

-- Each company sees its own rows only, whatever a query forgets.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY[
    'app_user', 'session', 'audit', 'customer', 'site', 'labour_rate', 'item', 'template', 'proposal', 'proposal_edit',
    'revision', 'link', 'customer_choice', 'decline', 'message', 'agreement', 'agreement_tax', 'agreement_line',
    'agreement_line_tax', 'agreement_payment', 'number_series', 'invoice', 'draw', 'draw_tax', 'card_charge', 'payment',
    'payment_part'
  ] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;

  -- Rows that may change; everything else is only ever added to.
  FOREACH name IN ARRAY ARRAY[
    'app_user', 'session', 'customer', 'site', 'labour_rate', 'item', 'template', 'proposal', 'link', 'customer_choice',
    'number_series'
  ] LOOP
    EXECUTE format('GRANT UPDATE ON %I TO impegno_app', name);
  END LOOP;
END $$;
--> statement-breakpoint
ALTER TABLE company ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON company TO impegno_app
  USING (id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, UPDATE ON company TO impegno_app;
--> statement-breakpoint
-- Locking an agreement while it is billed needs the right to update it; the trigger below refuses every real update.
GRANT UPDATE (id) ON agreement TO impegno_app;
--> statement-breakpoint

-- What was signed, sent, issued or paid never changes, for any role.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
--> statement-breakpoint
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY[
    'audit', 'proposal_edit', 'revision', 'decline', 'agreement', 'agreement_tax', 'agreement_line', 'agreement_line_tax',
    'agreement_payment', 'invoice', 'draw', 'draw_tax', 'card_charge', 'payment', 'payment_part'
  ] LOOP
    EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I FOR EACH ROW EXECUTE FUNCTION refuse_change()', name);
  END LOOP;
END $$;
--> statement-breakpoint

-- An agreement's lines, taxes and payments sum to it.
CREATE FUNCTION check_agreement_sums() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  lines numeric;
  taxes numeric;
  line_taxes numeric;
  payments numeric;
BEGIN
  SELECT coalesce(sum(net), 0) INTO lines FROM agreement_line WHERE company_id = NEW.company_id AND agreement_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO taxes FROM agreement_tax WHERE company_id = NEW.company_id AND agreement_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO line_taxes FROM agreement_line_tax WHERE company_id = NEW.company_id AND agreement_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO payments FROM agreement_payment WHERE company_id = NEW.company_id AND agreement_id = NEW.id;
  IF lines <> NEW.net OR taxes <> NEW.tax OR line_taxes <> NEW.tax OR payments <> NEW.total THEN
    RAISE EXCEPTION 'agreement % does not add up', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER agreement_adds_up AFTER INSERT ON agreement
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_agreement_sums();
--> statement-breakpoint

-- An invoice's draws sum to it.
CREATE FUNCTION check_invoice_sums() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  nets numeric;
  taxes numeric;
BEGIN
  SELECT coalesce(sum(net), 0) INTO nets FROM draw WHERE company_id = NEW.company_id AND invoice_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO taxes FROM draw_tax WHERE company_id = NEW.company_id AND invoice_id = NEW.id;
  IF nets <> NEW.net OR taxes <> NEW.tax THEN
    RAISE EXCEPTION 'invoice % does not add up', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER invoice_adds_up AFTER INSERT ON invoice
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_invoice_sums();
--> statement-breakpoint

-- No line is drawn past what was agreed, or below zero.
CREATE FUNCTION check_line_draws() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  agreed numeric;
  drawn numeric;
BEGIN
  SELECT net INTO agreed FROM agreement_line
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND line_id = NEW.line_id;
  SELECT sum(net) INTO drawn FROM draw
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND line_id = NEW.line_id;
  IF drawn * sign(agreed) < 0 OR abs(drawn) > abs(agreed) THEN
    RAISE EXCEPTION 'line % of agreement % would be billed to % of %', NEW.line_id, NEW.agreement_id, drawn, agreed
      USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER line_not_overdrawn AFTER INSERT ON draw
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_line_draws();
--> statement-breakpoint

-- The same for each tax component of a line.
CREATE FUNCTION check_tax_draws() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  agreed numeric;
  drawn numeric;
BEGIN
  SELECT coalesce(sum(amount), 0) INTO agreed FROM agreement_line_tax
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND line_id = NEW.line_id AND position = NEW.position;
  SELECT sum(amount) INTO drawn FROM draw_tax
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND line_id = NEW.line_id AND position = NEW.position;
  IF drawn * sign(agreed) < 0 OR abs(drawn) > abs(agreed) THEN
    RAISE EXCEPTION 'tax of line % of agreement % would be billed to % of %', NEW.line_id, NEW.agreement_id, drawn, agreed
      USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER tax_not_overdrawn AFTER INSERT ON draw_tax
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_tax_draws();
--> statement-breakpoint

-- No invoice is paid more than its total, no payment is spread over more than it is.
CREATE FUNCTION check_payment_parts() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  billed numeric;
  paid numeric;
  received numeric;
  spread numeric;
BEGIN
  SELECT total INTO billed FROM invoice WHERE company_id = NEW.company_id AND id = NEW.invoice_id;
  SELECT sum(amount) INTO paid FROM payment_part WHERE company_id = NEW.company_id AND invoice_id = NEW.invoice_id;
  SELECT amount INTO received FROM payment WHERE company_id = NEW.company_id AND id = NEW.payment_id;
  SELECT sum(amount) INTO spread FROM payment_part WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
  IF paid > billed OR spread > received THEN
    RAISE EXCEPTION 'invoice % would be paid % of %', NEW.invoice_id, paid, billed USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER not_overpaid AFTER INSERT ON payment_part
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_payment_parts();
--> statement-breakpoint

-- The search of the library. Row level security keeps every index on text from being used (what compares text may leak),
-- so this runs as the owner of the tables and asks for the company itself. Each word must fit: as it is typed (one or two
-- letters only where a word begins), or, where the library has it nowhere, by likeness. What each kind of fit is worth is
-- given by the caller.
CREATE FUNCTION search_items(words text[], worth jsonb, most integer) RETURNS TABLE (item_id uuid)
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
    EXECUTE 'SELECT EXISTS (SELECT 1 FROM item WHERE company_id = $1 AND search_text LIKE ' || quote_literal(inside) || ')'
      INTO known USING company;
    IF known THEN
      fits := fits || ' AND search_text LIKE ' || quote_literal(inside);
      rank := rank || format(
        ' + CASE WHEN lower(code) = %L THEN %s WHEN lower(code) LIKE %L THEN %s WHEN lower(name) LIKE %L THEN %s
                 WHEN search_text LIKE %L THEN %s WHEN search_text LIKE %L THEN %s ELSE %s END',
        word, (worth->>'exactCode')::integer, escaped || '%', (worth->>'codeStart')::integer,
        escaped || '%', (worth->>'nameStart')::integer, '% ' || escaped || ' %', (worth->>'wholeWord')::integer,
        '% ' || escaped || '%', (worth->>'wordStart')::integer, (worth->>'inside')::integer);
    ELSE
      fits := fits || format(' AND %L <%% search_text', word);
      rank := rank || format(' + %s * word_similarity(%L, search_text)', (worth->>'similar')::integer, word);
    END IF;
  END LOOP;
  RETURN QUERY EXECUTE
    'SELECT id FROM item WHERE company_id = $1 AND retired_at IS NULL' || fits
    || ' ORDER BY ' || rank || ' DESC, lower(code) LIMIT $2'
    USING company, most;
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION search_items FROM public;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION search_items TO impegno_app;
