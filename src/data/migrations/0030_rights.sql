-- The server logs in as a role that owns nothing and may do nothing but become impegno_app: what that role cannot do, no SQL
-- of the server can. Here is what it still could.

-- Every function of ours looks at the tables of the schema, never at a temporary table of the same name, and a check of sums
-- sees all rows of the company the row belongs to, whatever company is set when the transaction ends.
DO $$
DECLARE
  each record;
BEGIN
  FOR each IN
    SELECT p.oid::regprocedure AS called, p.prorettype = 'trigger'::regtype AS triggered
    FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
    WHERE n.nspname = 'public' AND p.prokind = 'f'
      AND NOT EXISTS (SELECT 1 FROM pg_depend d WHERE d.objid = p.oid AND d.deptype = 'e')
  LOOP
    EXECUTE format('ALTER FUNCTION %s SET search_path = public, pg_temp', each.called);
    IF each.triggered THEN
      EXECUTE format('ALTER FUNCTION %s SECURITY DEFINER', each.called);
    END IF;
  END LOOP;
END $$;
--> statement-breakpoint
REVOKE CREATE ON SCHEMA public FROM PUBLIC;
--> statement-breakpoint

-- Whether whoever is logged in keeps the database: makes and restores it, fills in a demo that began long ago.
CREATE FUNCTION keeps_database() RETURNS boolean LANGUAGE sql STABLE SET search_path = public, pg_temp AS $$
  SELECT pg_has_role(session_user, relowner, 'MEMBER') FROM pg_class WHERE oid = 'public.sealed'::regclass
$$;
--> statement-breakpoint

-- A paper is finished when the transaction that made it ends; nothing is added to it after that.
ALTER TABLE sealed ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON sealed TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT ON sealed TO impegno_app;
--> statement-breakpoint
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON sealed FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
INSERT INTO sealed (company_id, paper)
  SELECT company_id, id FROM agreement UNION ALL SELECT company_id, id FROM change_order
  UNION ALL SELECT company_id, id FROM selection UNION ALL SELECT company_id, id FROM invoice
  UNION ALL SELECT company_id, id FROM export_batch;
--> statement-breakpoint
CREATE FUNCTION seal() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  INSERT INTO sealed (company_id, paper) VALUES (NEW.company_id, NEW.id) ON CONFLICT DO NOTHING;
  RETURN NULL;
END $$;
--> statement-breakpoint
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['agreement', 'change_order', 'selection', 'invoice', 'export_batch'] LOOP
    EXECUTE format('CREATE CONSTRAINT TRIGGER sealed_at_commit AFTER INSERT ON %I
      DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION seal()', name);
  END LOOP;
END $$;
--> statement-breakpoint
CREATE FUNCTION refuse_sealed() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  hit uuid;
BEGIN
  CASE TG_TABLE_NAME
    WHEN 'draw', 'draw_tax', 'invoice_part', 'invoice_part_tax' THEN
      SELECT s.paper INTO hit FROM came c JOIN sealed s ON s.company_id = c.company_id
        AND s.paper = (to_jsonb(c)->>'invoice_id')::uuid LIMIT 1;
    WHEN 'agreement_line', 'agreement_payment' THEN
      SELECT s.paper INTO hit FROM came c JOIN sealed s ON s.company_id = c.company_id
        AND s.paper = coalesce((to_jsonb(c)->>'change_order_id')::uuid, (to_jsonb(c)->>'agreement_id')::uuid) LIMIT 1;
    WHEN 'agreement_line_tax', 'agreement_allowance' THEN
      SELECT s.paper INTO hit FROM came c
        JOIN agreement_line l ON l.company_id = c.company_id AND l.agreement_id = (to_jsonb(c)->>'agreement_id')::uuid
          AND l.line_id = to_jsonb(c)->>'line_id'
        JOIN sealed s ON s.company_id = c.company_id AND s.paper = coalesce(l.change_order_id, l.agreement_id) LIMIT 1;
    WHEN 'change_order_tax', 'agreement_payment_change' THEN
      SELECT s.paper INTO hit FROM came c JOIN sealed s ON s.company_id = c.company_id
        AND s.paper = (to_jsonb(c)->>'change_order_id')::uuid LIMIT 1;
    WHEN 'agreement_tax' THEN
      -- A change order that is being signed may bring a tax the agreement did not know, with nothing of its own yet.
      SELECT s.paper INTO hit FROM came c JOIN sealed s ON s.company_id = c.company_id
        AND s.paper = (to_jsonb(c)->>'agreement_id')::uuid
        WHERE (to_jsonb(c)->>'amount')::numeric <> 0 OR (to_jsonb(c)->>'base')::numeric <> 0 OR NOT EXISTS (
          SELECT 1 FROM change_order o WHERE o.company_id = c.company_id AND o.agreement_id = s.paper
            AND NOT EXISTS (SELECT 1 FROM sealed t WHERE t.company_id = o.company_id AND t.paper = o.id)) LIMIT 1;
    WHEN 'export_item' THEN
      SELECT s.paper INTO hit FROM came c JOIN sealed s ON s.company_id = c.company_id
        AND s.paper = (to_jsonb(c)->>'batch_id')::uuid LIMIT 1;
    WHEN 'signing' THEN
      SELECT s.paper INTO hit FROM came c JOIN sealed s ON s.company_id = c.company_id
        AND s.paper = (to_jsonb(c)->>'subject')::uuid LIMIT 1;
  END CASE;
  IF hit IS NOT NULL THEN
    RAISE EXCEPTION '% is finished: nothing is added to %', hit, TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['draw', 'draw_tax', 'invoice_part', 'invoice_part_tax', 'agreement_line', 'agreement_payment',
    'agreement_line_tax', 'agreement_allowance', 'change_order_tax', 'agreement_payment_change', 'agreement_tax',
    'export_item', 'signing']
  LOOP
    EXECUTE format('CREATE TRIGGER nothing_added AFTER INSERT ON %I REFERENCING NEW TABLE AS came
      FOR EACH STATEMENT EXECUTE FUNCTION refuse_sealed()', name);
  END LOOP;
END $$;
--> statement-breakpoint

-- Numbers go on by one, and each has its paper when the transaction ends; a paper has the number just taken.
CREATE FUNCTION step_series() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF TG_OP = 'UPDATE' THEN
    IF NEW.company_id <> OLD.company_id OR NEW.series <> OLD.series OR NEW.last <> OLD.last + 1 THEN
      RAISE EXCEPTION 'series % goes on by one', OLD.series USING ERRCODE = 'restrict_violation';
    END IF;
  ELSIF NEW.last < 1 OR (NEW.series ~ '^(invoice|credit note) ' AND NEW.last <> 1) THEN
    RAISE EXCEPTION 'series % begins with one', NEW.series USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER one_by_one BEFORE INSERT OR UPDATE ON number_series FOR EACH ROW EXECUTE FUNCTION step_series();
--> statement-breakpoint
CREATE TRIGGER never_gone BEFORE DELETE ON number_series FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE FUNCTION check_number_used() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  used boolean := true;
BEGIN
  CASE
    WHEN NEW.series ~ '^(invoice|credit note) [0-9]{4}$' THEN
      SELECT EXISTS (SELECT 1 FROM invoice WHERE company_id = NEW.company_id
        AND series = left(NEW.series, -5) AND year = right(NEW.series, 4)::integer AND number = NEW.last) INTO used;
    WHEN NEW.series = 'agreement' THEN
      SELECT EXISTS (SELECT 1 FROM agreement WHERE company_id = NEW.company_id AND number = NEW.last) INTO used;
    WHEN NEW.series = 'export' THEN
      SELECT EXISTS (SELECT 1 FROM export_batch WHERE company_id = NEW.company_id AND number = NEW.last) INTO used;
    ELSE NULL;
  END CASE;
  IF NOT used THEN
    RAISE EXCEPTION 'number % of % has no paper', NEW.last, NEW.series USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER every_number_used AFTER INSERT OR UPDATE ON number_series
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_number_used();
--> statement-breakpoint
CREATE FUNCTION check_in_series() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  paper jsonb := to_jsonb(NEW);
  wanted text := CASE TG_TABLE_NAME
    WHEN 'invoice' THEN (paper->>'series') || ' ' || (paper->>'year')
    WHEN 'agreement' THEN 'agreement' ELSE 'export' END;
BEGIN
  IF NOT EXISTS (SELECT 1 FROM number_series
      WHERE company_id = NEW.company_id AND series = wanted AND last = NEW.number) THEN
    RAISE EXCEPTION '% is not the number just taken of %', NEW.number, wanted USING ERRCODE = 'restrict_violation';
  END IF;
  IF TG_TABLE_NAME = 'invoice' AND (paper->>'year') <> left(paper->>'issued_on', 4) THEN
    RAISE EXCEPTION 'a paper of % does not belong to %', paper->>'issued_on', wanted USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['invoice', 'agreement', 'export_batch'] LOOP
    EXECUTE format('CREATE TRIGGER in_series BEFORE INSERT ON %I FOR EACH ROW EXECUTE FUNCTION check_in_series()', name);
  END LOOP;
END $$;
--> statement-breakpoint

-- A signature belongs to one statement: its hash fits, it names the paper it is under, and what stands beside it is what it says.
CREATE FUNCTION check_signing() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  said jsonb := NEW.statement::jsonb;
  head agreement%ROWTYPE;
  document text;
BEGIN
  SELECT * INTO head FROM agreement WHERE company_id = NEW.company_id AND id = NEW.agreement_id;
  CASE NEW.kind
    WHEN 'proposal' THEN
      SELECT a.revision_sha256 INTO document FROM agreement a
        WHERE a.company_id = NEW.company_id AND a.id = NEW.subject AND a.id = NEW.agreement_id
          AND a.signer_name = NEW.signer_name AND a.signature = NEW.signature AND a.accepted_at = NEW.signed_at;
    WHEN 'change order' THEN
      SELECT r.sha256 INTO document FROM change_order o
        JOIN revision r ON r.company_id = o.company_id AND r.id = o.revision_id
        WHERE o.company_id = NEW.company_id AND o.id = NEW.subject AND o.agreement_id = NEW.agreement_id;
    ELSE
      SELECT r.sha256 INTO document FROM selection s
        JOIN revision r ON r.company_id = s.company_id AND r.id = head.revision_id
        WHERE s.company_id = NEW.company_id AND s.id = NEW.subject AND s.agreement_id = NEW.agreement_id;
  END CASE;
  IF document IS NULL
    OR NEW.sha256 <> encode(sha256(convert_to(NEW.statement, 'UTF8')), 'hex')
    OR said->>'kind' IS DISTINCT FROM NEW.kind
    OR said->>'agreement' IS DISTINCT FROM head.number::text
    OR said->>'documentSha256' IS DISTINCT FROM document
    OR said->>'signer' IS DISTINCT FROM NEW.signer_name
    OR said->'signature' IS DISTINCT FROM NEW.signature
    OR said->>'browser' IS DISTINCT FROM NEW.browser
    OR said->>'from' IS DISTINCT FROM NEW.from_address
    OR (said->>'signedAt')::timestamptz IS DISTINCT FROM NEW.signed_at
    OR (said->>'recordedBy' IS NULL) <> (NEW.recorded_by IS NULL)
  THEN
    RAISE EXCEPTION 'this statement is not of %', NEW.subject USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER its_own_statement BEFORE INSERT ON signing FOR EACH ROW EXECUTE FUNCTION check_signing();
--> statement-breakpoint
-- Nothing is agreed without a signature.
CREATE FUNCTION check_signed() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF NOT EXISTS (SELECT 1 FROM signing WHERE company_id = NEW.company_id AND subject = NEW.id) THEN
    RAISE EXCEPTION '% of % is not signed', TG_TABLE_NAME, NEW.id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['agreement', 'change_order', 'selection'] LOOP
    EXECUTE format('CREATE CONSTRAINT TRIGGER signed AFTER INSERT ON %I
      DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_signed()', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- What was accepted stays accepted, as it was.
CREATE FUNCTION keep_accepted() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF OLD.state = 'accepted' AND (NEW.state, NEW.document, NEW.number, NEW.customer_id, NEW.site_id, NEW.save_number)
      IS DISTINCT FROM (OLD.state, OLD.document, OLD.number, OLD.customer_id, OLD.site_id, OLD.save_number) THEN
    RAISE EXCEPTION 'proposal % is accepted', OLD.id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER accepted_stays BEFORE UPDATE ON proposal FOR EACH ROW EXECUTE FUNCTION keep_accepted();
--> statement-breakpoint

-- The record of who did what: dated by the database, of a person of the company who may still sign in.
CREATE FUNCTION date_audit() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF keeps_database() THEN
    RETURN NEW;
  END IF;
  NEW.at := clock_timestamp();
  IF NEW.user_id IS NOT NULL AND NOT EXISTS (
    SELECT 1 FROM app_user WHERE company_id = NEW.company_id AND id = NEW.user_id AND disabled_at IS NULL) THEN
    RAISE EXCEPTION '% is nobody who can act', NEW.user_id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER dated BEFORE INSERT ON audit FOR EACH ROW EXECUTE FUNCTION date_audit();
--> statement-breakpoint

-- What is asked before the company is known, and nothing more: each function answers one question about one secret or address.
CREATE FUNCTION find_account(address text)
RETURNS TABLE (company_id uuid, id uuid, password_hash text, disabled boolean)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT u.company_id, u.id, u.password_hash, u.disabled_at IS NOT NULL FROM app_user u WHERE lower(u.email) = address
$$;
--> statement-breakpoint
CREATE FUNCTION knows_device(person uuid, hash text) RETURNS boolean
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT EXISTS (SELECT 1 FROM session WHERE user_id = person AND token_hash = hash)
$$;
--> statement-breakpoint
CREATE FUNCTION find_session(hash text, moment timestamptz)
RETURNS TABLE (company_id uuid, id uuid, user_id uuid, name text, role text, seen_lately boolean)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT s.company_id, s.id, u.id, u.name, u.role, s.last_seen_at > moment - interval '5 minutes' FROM session s
    JOIN app_user u ON u.company_id = s.company_id AND u.id = s.user_id
    WHERE s.token_hash = hash AND s.revoked_at IS NULL AND s.expires_at > moment AND u.disabled_at IS NULL
$$;
--> statement-breakpoint
CREATE FUNCTION find_link(hash text)
RETURNS TABLE (company_id uuid, id uuid, proposal_id uuid, expires_at timestamptz, revoked boolean)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT l.company_id, l.id, l.proposal_id, l.expires_at, l.revoked_at IS NOT NULL FROM link l WHERE l.token_hash = hash
$$;
--> statement-breakpoint
CREATE FUNCTION company_of_signing(hash text) RETURNS uuid
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT company_id FROM signing WHERE sha256 = hash
$$;
--> statement-breakpoint
CREATE FUNCTION companies_that_remind() RETURNS SETOF uuid
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT id FROM company WHERE (money->'reminders'->>'byItself')::boolean
$$;
--> statement-breakpoint
CREATE FUNCTION has_company() RETURNS boolean
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT EXISTS (SELECT 1 FROM company)
$$;
--> statement-breakpoint
DO $$
DECLARE
  each regprocedure;
BEGIN
  FOREACH each IN ARRAY ARRAY['find_account(text)', 'knows_device(uuid, text)', 'find_session(text, timestamptz)',
    'find_link(text)', 'company_of_signing(text)', 'companies_that_remind()', 'has_company()']::regprocedure[]
  LOOP
    EXECUTE format('REVOKE ALL ON FUNCTION %s FROM PUBLIC', each);
    EXECUTE format('GRANT EXECUTE ON FUNCTION %s TO impegno_app', each);
  END LOOP;
END $$;
--> statement-breakpoint
-- A company is made in a transaction that is set to it; tries at the doors belong to none.
GRANT INSERT ON company TO impegno_app;
--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON attempt TO impegno_app;
--> statement-breakpoint
GRANT USAGE ON SEQUENCE attempt_id_seq TO impegno_app;
