CREATE TABLE "cost_entry" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text,
	"stage" text,
	"cost_code" text,
	"cost_type" text NOT NULL,
	"what" text NOT NULL,
	"supplier" text DEFAULT '' NOT NULL,
	"hours" numeric,
	"rate" numeric,
	"amount" numeric NOT NULL,
	"spent_on" date NOT NULL,
	"takes_back" uuid,
	"idempotency_key" text NOT NULL,
	"recorded_by" uuid NOT NULL,
	"recorded_at" timestamp with time zone NOT NULL,
	CONSTRAINT "cost_entry_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "cost_entry_key" UNIQUE("company_id","idempotency_key"),
	CONSTRAINT "cost_entry_taken_back" UNIQUE("company_id","takes_back"),
	CONSTRAINT "cost_entry_something" CHECK ("cost_entry"."amount" <> 0),
	CONSTRAINT "cost_entry_hours" CHECK (("cost_entry"."hours" is null) = ("cost_entry"."rate" is null))
);
--> statement-breakpoint
CREATE TABLE "cost_invoice" (
	"company_id" uuid NOT NULL,
	"cost_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	CONSTRAINT "cost_invoice_company_id_cost_id_pk" PRIMARY KEY("company_id","cost_id")
);
--> statement-breakpoint
CREATE TABLE "export_batch" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"number" integer NOT NULL,
	"from_day" date NOT NULL,
	"to_day" date NOT NULL,
	"made_by" uuid NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "export_batch_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "export_batch_number" UNIQUE("company_id","number"),
	CONSTRAINT "export_batch_range" CHECK ("export_batch"."from_day" <= "export_batch"."to_day")
);
--> statement-breakpoint
CREATE TABLE "export_item" (
	"company_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"subject" uuid NOT NULL,
	"batch_id" uuid NOT NULL,
	CONSTRAINT "export_item_company_id_kind_subject_pk" PRIMARY KEY("company_id","kind","subject")
);
--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "costs" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "agreement_stage" ADD COLUMN "to_come" numeric;--> statement-breakpoint
ALTER TABLE "cost_entry" ADD CONSTRAINT "cost_entry_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_entry" ADD CONSTRAINT "cost_entry_company_id_agreement_id_line_id_agreement_line_company_id_agreement_id_line_id_fk" FOREIGN KEY ("company_id","agreement_id","line_id") REFERENCES "public"."agreement_line"("company_id","agreement_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_entry" ADD CONSTRAINT "cost_entry_company_id_agreement_id_stage_agreement_stage_company_id_agreement_id_name_fk" FOREIGN KEY ("company_id","agreement_id","stage") REFERENCES "public"."agreement_stage"("company_id","agreement_id","name") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_entry" ADD CONSTRAINT "cost_entry_company_id_takes_back_cost_entry_company_id_id_fk" FOREIGN KEY ("company_id","takes_back") REFERENCES "public"."cost_entry"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_invoice" ADD CONSTRAINT "cost_invoice_company_id_cost_id_cost_entry_company_id_id_fk" FOREIGN KEY ("company_id","cost_id") REFERENCES "public"."cost_entry"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_invoice" ADD CONSTRAINT "cost_invoice_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "export_item" ADD CONSTRAINT "export_item_company_id_batch_id_export_batch_company_id_id_fk" FOREIGN KEY ("company_id","batch_id") REFERENCES "public"."export_batch"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "cost_entry_agreement" ON "cost_entry" USING btree ("company_id","agreement_id");--> statement-breakpoint
CREATE INDEX "cost_invoice_invoice" ON "cost_invoice" USING btree ("company_id","invoice_id");