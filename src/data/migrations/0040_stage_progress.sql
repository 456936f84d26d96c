CREATE TABLE "stage_photo" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"stage" text NOT NULL,
	"file_id" uuid NOT NULL,
	"caption" text DEFAULT '' NOT NULL,
	"added_by" uuid NOT NULL,
	"added_at" timestamp with time zone NOT NULL,
	CONSTRAINT "stage_photo_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
ALTER TABLE "agreement_stage" ADD COLUMN "percent" numeric;--> statement-breakpoint
ALTER TABLE "agreement_stage" ADD COLUMN "reported_on" date;--> statement-breakpoint
ALTER TABLE "agreement_stage" ADD COLUMN "reported_by" uuid;--> statement-breakpoint
ALTER TABLE "stage_photo" ADD CONSTRAINT "stage_photo_company_id_agreement_id_stage_agreement_stage_company_id_agreement_id_name_fk" FOREIGN KEY ("company_id","agreement_id","stage") REFERENCES "public"."agreement_stage"("company_id","agreement_id","name") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stage_photo" ADD CONSTRAINT "stage_photo_company_id_file_id_kept_file_company_id_id_fk" FOREIGN KEY ("company_id","file_id") REFERENCES "public"."kept_file"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "stage_photo_of" ON "stage_photo" USING btree ("company_id","agreement_id","stage");--> statement-breakpoint
ALTER TABLE "agreement_stage" ADD CONSTRAINT "agreement_stage_percent" CHECK ("agreement_stage"."percent" > 0 and "agreement_stage"."percent" < 100);--> statement-breakpoint
ALTER TABLE stage_photo ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON stage_photo TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON stage_photo TO impegno_app;
