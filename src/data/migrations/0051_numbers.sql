CREATE TABLE "series_start" (
	"company_id" uuid NOT NULL,
	"series" text NOT NULL,
	"next" integer NOT NULL,
	CONSTRAINT "series_start_company_id_series_pk" PRIMARY KEY("company_id","series"),
	CONSTRAINT "series_start_next" CHECK ("series_start"."next" between 1 and 99999999)
);
--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "numbers" jsonb DEFAULT '{"invoice":{"prefix":"","yearly":true,"digits":3},"creditNote":{"prefix":"C","yearly":true,"digits":3}}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE series_start ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON series_start TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE (next) ON series_start TO impegno_app;
--> statement-breakpoint
-- Where a series goes on is said forward only: no number is taken twice.
CREATE FUNCTION check_series_start() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM number_series WHERE company_id = NEW.company_id AND series = NEW.series AND last >= NEW.next) THEN
    RAISE EXCEPTION 'number % of % is taken', NEW.next, NEW.series USING ERRCODE = 'restrict_violation';
  END IF;
  IF NEW.series !~ '^(proposal|agreement|(invoice|credit note)( [0-9]{4})?)$' THEN
    RAISE EXCEPTION '% is no series a company begins', NEW.series USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER goes_on BEFORE INSERT OR UPDATE ON series_start FOR EACH ROW EXECUTE FUNCTION check_series_start();
--> statement-breakpoint
-- A series goes on by one, or from where the company said; one of papers begins with one, or there.
CREATE OR REPLACE FUNCTION step_series() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  start integer := coalesce((SELECT next FROM series_start WHERE company_id = NEW.company_id AND series = NEW.series), 0);
BEGIN
  IF TG_OP = 'UPDATE' THEN
    -- Where a start is said in the same moment, the number that was being taken is still the one after the last.
    IF NEW.company_id <> OLD.company_id OR NEW.series <> OLD.series
        OR NOT (NEW.last = OLD.last + 1 OR (NEW.last = start AND start > OLD.last)) THEN
      RAISE EXCEPTION 'series % goes on by one', OLD.series USING ERRCODE = 'restrict_violation';
    END IF;
  ELSIF NEW.last < 1 OR (NEW.series ~ '^(invoice|credit note)' AND NEW.last NOT IN (1, greatest(1, start))) THEN
    RAISE EXCEPTION 'series % begins with one', NEW.series USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION check_number_used() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  used boolean := true;
BEGIN
  CASE
    WHEN NEW.series ~ '^(invoice|credit note) [0-9]{4}$' THEN
      SELECT EXISTS (SELECT 1 FROM invoice WHERE company_id = NEW.company_id
        AND series = left(NEW.series, -5) AND year = right(NEW.series, 4)::integer AND number = NEW.last) INTO used;
    WHEN NEW.series IN ('invoice', 'credit note') THEN
      SELECT EXISTS (SELECT 1 FROM invoice WHERE company_id = NEW.company_id
        AND series = NEW.series AND number = NEW.last) INTO used;
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
CREATE OR REPLACE FUNCTION check_in_series() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  paper jsonb := to_jsonb(NEW);
  wanted text[] := CASE TG_TABLE_NAME
    WHEN 'invoice' THEN ARRAY[(paper->>'series') || ' ' || (paper->>'year'), paper->>'series']
    WHEN 'agreement' THEN ARRAY['agreement'] ELSE ARRAY['export'] END;
BEGIN
  IF NOT EXISTS (SELECT 1 FROM number_series
      WHERE company_id = NEW.company_id AND series = ANY (wanted) AND last = NEW.number) THEN
    RAISE EXCEPTION '% is not the number just taken of %', NEW.number, wanted[1] USING ERRCODE = 'restrict_violation';
  END IF;
  IF TG_TABLE_NAME = 'invoice' AND (paper->>'year') <> left(paper->>'issued_on', 4) THEN
    RAISE EXCEPTION 'a paper of % does not belong to %', paper->>'issued_on', wanted[1] USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
