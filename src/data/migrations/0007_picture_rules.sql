-- Kept pictures and crews: for the company alone. A picture is never changed; who has its name may read it again.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['kept_file', 'crew'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT UPDATE, DELETE ON crew TO impegno_app;
