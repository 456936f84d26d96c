ALTER TABLE "company" ADD COLUMN "licence" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "website" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "logo" uuid;--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "color" text;--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "units" text DEFAULT 'us' NOT NULL;--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "set_up_aside" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint

-- The demo is removed as a whole, with what nothing else is removed from. Nothing of a company that is no demo goes.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF TG_OP = 'DELETE' AND current_setting('app.removing', true) = 'demo'
    AND EXISTS (SELECT 1 FROM company WHERE id = (to_jsonb(OLD)->>'company_id')::uuid AND demo) THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION keep_owner() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF TG_OP = 'DELETE' AND current_setting('app.removing', true) = 'demo'
    AND EXISTS (SELECT 1 FROM company WHERE id = OLD.company_id AND demo) THEN
    RETURN OLD;
  END IF;
  IF OLD.kind = 'owner' AND (TG_OP = 'DELETE' OR (NEW.kind, NEW.permissions, NEW.discount)
      IS DISTINCT FROM (OLD.kind, OLD.permissions, OLD.discount)) THEN
    RAISE EXCEPTION 'the owner has everything' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN CASE TG_OP WHEN 'DELETE' THEN OLD ELSE NEW END;
END $$;
--> statement-breakpoint
CREATE FUNCTION remove_demo() RETURNS void
LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  demos uuid[] := ARRAY(SELECT id FROM company WHERE demo ORDER BY id FOR UPDATE);
  parts text;
BEGIN
  IF NOT EXISTS (SELECT 1 FROM app_user u WHERE u.company_id = ANY (demos)
    AND u.company_id = nullif(current_setting('app.company', true), '')::uuid) THEN
    RAISE EXCEPTION 'only the demo is removed, from inside' USING ERRCODE = 'restrict_violation';
  END IF;
  PERFORM set_config('app.removing', 'demo', true);
  -- In one statement: what hangs on each other goes together, keys are looked at when all of it is gone.
  SELECT string_agg(format('%I AS (DELETE FROM %I WHERE company_id = ANY ($1))', 'gone_' || c.table_name, c.table_name), ', ')
    INTO parts
    FROM information_schema.columns c
    JOIN information_schema.tables t ON t.table_schema = c.table_schema AND t.table_name = c.table_name
    WHERE c.table_schema = 'public' AND c.column_name = 'company_id' AND t.table_type = 'BASE TABLE';
  EXECUTE 'WITH ' || parts || ' SELECT 1' USING demos;
  DELETE FROM company WHERE id = ANY (demos);
  DELETE FROM account_letter WHERE NOT EXISTS (SELECT 1 FROM company);
  DELETE FROM person p WHERE NOT EXISTS (SELECT 1 FROM app_user u WHERE u.person_id = p.id);
  PERFORM set_config('app.removing', '', true);
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION remove_demo() FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION remove_demo() TO impegno_app;
