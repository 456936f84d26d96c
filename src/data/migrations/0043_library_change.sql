CREATE TABLE "library_change" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"user_id" uuid NOT NULL,
	"says" text NOT NULL,
	"field" text NOT NULL,
	"entries" jsonb NOT NULL,
	"undone_at" timestamp with time zone,
	CONSTRAINT "library_change_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
ALTER TABLE "library_change" ADD CONSTRAINT "library_change_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "library_change_at" ON "library_change" USING btree ("company_id","at");--> statement-breakpoint
ALTER TABLE library_change ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON library_change TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON library_change TO impegno_app;
