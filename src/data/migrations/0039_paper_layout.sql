CREATE TABLE "paper_layout" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"agreement_id" uuid,
	"shows" jsonb NOT NULL,
	"usual" boolean DEFAULT false NOT NULL,
	CONSTRAINT "paper_layout_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "paper_layout_usual_for_all" CHECK (not "paper_layout"."usual" or "paper_layout"."agreement_id" is null)
);
--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "item_code" text;--> statement-breakpoint
ALTER TABLE "paper_layout" ADD CONSTRAINT "paper_layout_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "paper_layout_name" ON "paper_layout" USING btree ("company_id",coalesce("agreement_id", "company_id"),lower("name"));--> statement-breakpoint
CREATE UNIQUE INDEX "paper_layout_usual" ON "paper_layout" USING btree ("company_id") WHERE "paper_layout"."usual";--> statement-breakpoint
ALTER TABLE paper_layout ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON paper_layout TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON paper_layout TO impegno_app;
