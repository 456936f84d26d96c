CREATE TABLE "email_link" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"email" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "email_link" ADD CONSTRAINT "email_link_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "email_link_person" ON "email_link" USING btree ("person_id");--> statement-breakpoint
ALTER TABLE email_link ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY oneself ON email_link TO impegno_app
  USING (person_id = nullif(current_setting('app.person', true), '')::uuid)
  WITH CHECK (person_id = nullif(current_setting('app.person', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON email_link TO impegno_app;
--> statement-breakpoint
CREATE FUNCTION find_email_link(hash text, moment timestamptz) RETURNS TABLE (person_id uuid, email text, was text, name text)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT p.id, l.email, p.email, p.name FROM email_link l JOIN person p ON p.id = l.person_id
    WHERE l.token_hash = hash AND l.used_at IS NULL AND l.expires_at > moment
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION find_email_link(text, timestamptz) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION find_email_link(text, timestamptz) TO impegno_app;
