DROP FUNCTION find_account(text);
--> statement-breakpoint
DROP FUNCTION knows_device(uuid, text);
--> statement-breakpoint
DROP FUNCTION find_session(text, timestamptz);
--> statement-breakpoint
CREATE TABLE "account_letter" (
	"id" uuid PRIMARY KEY NOT NULL,
	"to_address" text NOT NULL,
	"subject" text NOT NULL,
	"sealed" text NOT NULL,
	"state" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "app_user" DROP CONSTRAINT "app_user_role";--> statement-breakpoint
DROP INDEX "app_user_email";--> statement-breakpoint
ALTER TABLE "app_user" DROP COLUMN "email";--> statement-breakpoint
ALTER TABLE "app_user" DROP COLUMN "role";--> statement-breakpoint
ALTER TABLE "app_user" DROP COLUMN "password_hash";
--> statement-breakpoint

-- A person is seen by the companies they work for (address and name), and by themselves; secrets are read by functions alone.
ALTER TABLE person ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_people ON person FOR SELECT TO impegno_app USING (EXISTS (
  SELECT 1 FROM app_user u WHERE u.person_id = person.id
    AND u.company_id = nullif(current_setting('app.company', true), '')::uuid));
--> statement-breakpoint
CREATE POLICY oneself ON person TO impegno_app
  USING (id = nullif(current_setting('app.person', true), '')::uuid)
  WITH CHECK (id = nullif(current_setting('app.person', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT (id, email, name, totp_since, totp_step, created_at), INSERT,
  UPDATE (email, name, password_hash, totp, totp_since, totp_step) ON person TO impegno_app;
--> statement-breakpoint
ALTER TABLE recovery_code ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY oneself ON recovery_code TO impegno_app
  USING (person_id = nullif(current_setting('app.person', true), '')::uuid)
  WITH CHECK (person_id = nullif(current_setting('app.person', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON recovery_code TO impegno_app;
--> statement-breakpoint
ALTER TABLE password_link ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY oneself ON password_link TO impegno_app
  USING (person_id = nullif(current_setting('app.person', true), '')::uuid)
  WITH CHECK (person_id = nullif(current_setting('app.person', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON password_link TO impegno_app;
--> statement-breakpoint
ALTER TABLE account_letter ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY written_only ON account_letter FOR INSERT TO impegno_app WITH CHECK (true);
--> statement-breakpoint
GRANT INSERT ON account_letter TO impegno_app;
--> statement-breakpoint
ALTER TABLE role ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON role TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON role TO impegno_app;
--> statement-breakpoint
ALTER TABLE invitation ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON invitation TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON invitation TO impegno_app;
--> statement-breakpoint

-- A company has an owner who may sign in, and its owner has everything.
CREATE FUNCTION check_owner() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  ours uuid := coalesce(NEW.company_id, OLD.company_id);
BEGIN
  -- Two at once go one after the other: each sees what the other did.
  PERFORM 1 FROM role WHERE company_id = ours AND kind = 'owner' FOR UPDATE;
  IF EXISTS (SELECT 1 FROM app_user WHERE company_id = ours) AND NOT EXISTS (
    SELECT 1 FROM app_user u JOIN role r ON r.company_id = u.company_id AND r.id = u.role_id
    WHERE u.company_id = ours AND u.disabled_at IS NULL AND r.kind = 'owner') THEN
    RAISE EXCEPTION 'company % has no owner', ours USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER an_owner AFTER INSERT OR UPDATE OR DELETE ON app_user
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_owner();
--> statement-breakpoint
CREATE FUNCTION keep_owner() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF OLD.kind = 'owner' AND (TG_OP = 'DELETE' OR (NEW.kind, NEW.permissions, NEW.discount)
      IS DISTINCT FROM (OLD.kind, OLD.permissions, OLD.discount)) THEN
    RAISE EXCEPTION 'the owner has everything' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN CASE TG_OP WHEN 'DELETE' THEN OLD ELSE NEW END;
END $$;
--> statement-breakpoint
CREATE TRIGGER owner_stays BEFORE UPDATE OR DELETE ON role FOR EACH ROW EXECUTE FUNCTION keep_owner();
--> statement-breakpoint

-- What is asked before the company is known: each answers one question about one secret, address or person.
CREATE FUNCTION find_account(address text)
RETURNS TABLE (id uuid, password_hash text, second boolean)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT p.id, p.password_hash, p.totp_since IS NOT NULL FROM person p WHERE lower(p.email) = address
$$;
--> statement-breakpoint
CREATE FUNCTION person_secrets()
RETURNS TABLE (password_hash text, totp text, totp_since timestamptz)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT p.password_hash, p.totp, p.totp_since FROM person p
    WHERE p.id = nullif(current_setting('app.person', true), '')::uuid
$$;
--> statement-breakpoint
CREATE FUNCTION companies_of_person()
RETURNS TABLE (company_id uuid, user_id uuid, company text, role text, demo boolean, last_seen timestamptz)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT u.company_id, u.id, c.name, r.name, c.demo,
      (SELECT max(s.last_seen_at) FROM session s WHERE s.company_id = u.company_id AND s.user_id = u.id)
    FROM app_user u JOIN company c ON c.id = u.company_id JOIN role r ON r.company_id = u.company_id AND r.id = u.role_id
    WHERE u.person_id = nullif(current_setting('app.person', true), '')::uuid AND u.disabled_at IS NULL
$$;
--> statement-breakpoint
CREATE FUNCTION end_sessions_of_person(besides text, moment timestamptz) RETURNS bigint
LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  WITH ended AS (
    UPDATE session s SET revoked_at = moment FROM app_user u
      WHERE u.company_id = s.company_id AND u.id = s.user_id AND s.revoked_at IS NULL AND s.token_hash <> besides
        AND u.person_id = nullif(current_setting('app.person', true), '')::uuid
      RETURNING 1)
  SELECT count(*) FROM ended
$$;
--> statement-breakpoint
CREATE FUNCTION knows_device(person uuid, hash text) RETURNS boolean
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT EXISTS (SELECT 1 FROM session s JOIN app_user u ON u.company_id = s.company_id AND u.id = s.user_id
    WHERE u.person_id = person AND s.token_hash = hash)
$$;
--> statement-breakpoint
CREATE FUNCTION find_session(hash text, moment timestamptz)
RETURNS TABLE (company_id uuid, id uuid, user_id uuid, person_id uuid, name text, role text, kind text, permissions jsonb,
  discount text, seen_lately boolean)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT s.company_id, s.id, u.id, u.person_id, u.name, r.name, r.kind, r.permissions, r.discount::text,
      s.last_seen_at > moment - interval '5 minutes'
    FROM session s
    JOIN app_user u ON u.company_id = s.company_id AND u.id = s.user_id
    JOIN role r ON r.company_id = u.company_id AND r.id = u.role_id
    WHERE s.token_hash = hash AND s.revoked_at IS NULL AND s.expires_at > moment AND u.disabled_at IS NULL
$$;
--> statement-breakpoint
CREATE FUNCTION find_invitation(hash text)
RETURNS TABLE (company_id uuid, id uuid, company text, inviter text, role text, email text, name text, person_id uuid,
  expires_at timestamptz, over text)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT i.company_id, i.id, c.name, u.name, r.name, i.email, i.name,
      (SELECT p.id FROM person p WHERE lower(p.email) = lower(i.email)), i.expires_at,
      CASE WHEN i.accepted_at IS NOT NULL THEN 'accepted' WHEN i.revoked_at IS NOT NULL THEN 'revoked' END
    FROM invitation i JOIN company c ON c.id = i.company_id
    JOIN app_user u ON u.company_id = i.company_id AND u.id = i.invited_by
    JOIN role r ON r.company_id = i.company_id AND r.id = i.role_id
    WHERE i.token_hash = hash
$$;
--> statement-breakpoint
CREATE FUNCTION find_password_link(hash text, moment timestamptz) RETURNS TABLE (person_id uuid, email text, name text)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT p.id, p.email, p.name FROM password_link l JOIN person p ON p.id = l.person_id
    WHERE l.token_hash = hash AND l.used_at IS NULL AND l.expires_at > moment
$$;
--> statement-breakpoint
CREATE FUNCTION has_demo() RETURNS boolean
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT EXISTS (SELECT 1 FROM company WHERE demo)
$$;
--> statement-breakpoint
DO $$
DECLARE
  each regprocedure;
BEGIN
  FOREACH each IN ARRAY ARRAY['find_account(text)', 'person_secrets()', 'companies_of_person()',
    'end_sessions_of_person(text, timestamptz)', 'knows_device(uuid, text)', 'find_session(text, timestamptz)',
    'find_invitation(text)', 'find_password_link(text, timestamptz)', 'has_demo()']::regprocedure[]
  LOOP
    EXECUTE format('REVOKE ALL ON FUNCTION %s FROM PUBLIC', each);
    EXECUTE format('GRANT EXECUTE ON FUNCTION %s TO impegno_app', each);
  END LOOP;
END $$;
--> statement-breakpoint

-- Who sees their own work only: proposals they sell, and what comes of them. Null: everybody's.
CREATE FUNCTION sells_only() RETURNS uuid LANGUAGE sql STABLE SET search_path = public, pg_temp AS $$
  SELECT nullif(current_setting('app.seller', true), '')::uuid
$$;
--> statement-breakpoint
CREATE POLICY own_work ON proposal AS RESTRICTIVE TO impegno_app
  USING ((SELECT sells_only()) IS NULL OR seller_id = (SELECT sells_only())) WITH CHECK (true);
--> statement-breakpoint
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['agreement', 'approval', 'customer_question', 'link', 'message', 'proposal_edit', 'revision'] LOOP
    EXECUTE format('CREATE POLICY own_work ON %I AS RESTRICTIVE TO impegno_app USING ((SELECT sells_only()) IS NULL
      OR proposal_id IN (SELECT id FROM proposal WHERE seller_id = (SELECT sells_only()))) WITH CHECK (true)', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['agreement_allowance', 'agreement_line', 'agreement_line_tax', 'agreement_money',
    'agreement_payment', 'agreement_payment_change', 'agreement_stage', 'agreement_tax', 'change_order', 'change_order_tax',
    'cost_entry', 'draw', 'draw_tax', 'invoice', 'invoice_adjustment', 'invoice_adjustment_tax', 'invoice_draft',
    'invoice_open', 'line_stage', 'payment', 'refund', 'selection', 'selection_round', 'signing', 'stage_photo'] LOOP
    EXECUTE format('CREATE POLICY own_work ON %I AS RESTRICTIVE TO impegno_app USING ((SELECT sells_only()) IS NULL
      OR agreement_id IN (SELECT id FROM agreement)) WITH CHECK (true)', name);
  END LOOP;
END $$;
