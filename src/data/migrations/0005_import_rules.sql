-- Files on their way into the library, how their columns were matched, and area factors: for the company alone.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['library_import', 'import_matching', 'area_factor'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- A file that is done with is gone; the library and its cost history say what came of it.
GRANT DELETE ON library_import TO impegno_app;
--> statement-breakpoint
GRANT UPDATE ON import_matching TO impegno_app;
--> statement-breakpoint
-- A table of factors is loaded as a whole.
GRANT DELETE ON area_factor TO impegno_app;
