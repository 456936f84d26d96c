-- The owner's yes or no: for the company alone; answered once, never changed after.
ALTER TABLE approval ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON approval TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT ON approval TO impegno_app;
--> statement-breakpoint
GRANT UPDATE (verdict, answered_by, answered_at, answer) ON approval TO impegno_app;
--> statement-breakpoint
CREATE FUNCTION answer_approval_once() RETURNS trigger
LANGUAGE plpgsql
AS $$
BEGIN
  IF OLD.verdict IS NOT NULL THEN
    RAISE EXCEPTION 'an approval is answered once';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER approval_answered_once BEFORE UPDATE ON approval
  FOR EACH ROW EXECUTE FUNCTION answer_approval_once();
