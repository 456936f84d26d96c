-- Reminders: for the company alone; what went out never changes.
ALTER TABLE reminder ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON reminder TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT ON reminder TO impegno_app;
--> statement-breakpoint
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON reminder FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint

-- An invoice's draws, and what is held, released, billed ahead or counted off, sum to it. A late charge, and what takes it
-- back, is none of the agreement: nothing is drawn with it.
CREATE OR REPLACE FUNCTION check_invoice_sums() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  nets numeric;
  taxes numeric;
  drawn integer;
BEGIN
  SELECT coalesce((SELECT sum(net) FROM draw WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0)
    + coalesce((SELECT sum(net) FROM invoice_part WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0) INTO nets;
  SELECT coalesce((SELECT sum(amount) FROM draw_tax WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0)
    + coalesce((SELECT sum(amount) FROM invoice_part_tax WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0) INTO taxes;
  IF NEW.kind = 'late charge' OR EXISTS (
    SELECT 1 FROM invoice WHERE company_id = NEW.company_id AND id = NEW.credits AND kind = 'late charge')
  THEN
    SELECT (SELECT count(*) FROM draw WHERE company_id = NEW.company_id AND invoice_id = NEW.id)
      + (SELECT count(*) FROM invoice_part WHERE company_id = NEW.company_id AND invoice_id = NEW.id) INTO drawn;
    IF drawn <> 0 OR NEW.tax <> 0 OR NEW.entry_id IS NOT NULL THEN
      RAISE EXCEPTION 'late charge % draws on the agreement', NEW.id USING ERRCODE = 'check_violation';
    END IF;
    IF NEW.credits IS NOT NULL AND (SELECT sum(total) FROM invoice
        WHERE company_id = NEW.company_id AND (id = NEW.credits OR credits = NEW.credits)) < 0 THEN
      RAISE EXCEPTION 'late charge % would be taken back twice', NEW.credits USING ERRCODE = 'check_violation';
    END IF;
  ELSIF nets <> NEW.net OR taxes <> NEW.tax THEN
    RAISE EXCEPTION 'invoice % does not add up', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
