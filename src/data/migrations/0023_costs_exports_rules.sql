-- Costs and what went to the accountant: for the company alone; what was recorded or exported never changes.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['cost_entry', 'cost_invoice', 'export_batch', 'export_item'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['cost_entry', 'export_batch', 'export_item'] LOOP
    EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I FOR EACH ROW EXECUTE FUNCTION refuse_change()', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT UPDATE, DELETE ON cost_invoice TO impegno_app;
--> statement-breakpoint

-- What takes a cost back is the same with the other sign.
CREATE FUNCTION check_cost_taken_back() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.takes_back IS NOT NULL AND NOT EXISTS (
    SELECT 1 FROM cost_entry e WHERE e.company_id = NEW.company_id AND e.id = NEW.takes_back AND e.takes_back IS NULL
      AND e.agreement_id = NEW.agreement_id AND e.amount = -NEW.amount
      AND e.line_id IS NOT DISTINCT FROM NEW.line_id AND e.stage IS NOT DISTINCT FROM NEW.stage
      AND e.cost_code IS NOT DISTINCT FROM NEW.cost_code AND e.cost_type = NEW.cost_type)
  THEN
    RAISE EXCEPTION 'cost % does not take % back as it was', NEW.id, NEW.takes_back USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER taken_back_as_it_was AFTER INSERT ON cost_entry
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_cost_taken_back();
