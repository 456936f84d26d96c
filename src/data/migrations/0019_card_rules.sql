-- The card account and what the card service said: for the company alone; what was said never changes.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['card_account', 'card_event'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
END $$;
--> statement-breakpoint
CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON card_event FOR EACH ROW EXECUTE FUNCTION refuse_change();
