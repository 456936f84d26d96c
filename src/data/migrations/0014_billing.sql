CREATE TABLE "agreement_stage" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"name" text NOT NULL,
	"position" integer NOT NULL,
	"planned_on" date,
	"done_on" date,
	"done_by" uuid,
	CONSTRAINT "agreement_stage_company_id_agreement_id_name_pk" PRIMARY KEY("company_id","agreement_id","name")
);
--> statement-breakpoint
CREATE TABLE "line_stage" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"stage" text NOT NULL,
	CONSTRAINT "line_stage_company_id_agreement_id_line_id_pk" PRIMARY KEY("company_id","agreement_id","line_id")
);
--> statement-breakpoint
CREATE TABLE "allocation" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"payment_id" uuid,
	"credit_note_id" uuid,
	"invoice_id" uuid,
	"refund_id" uuid,
	"amount" numeric NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "allocation_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "allocation_source" CHECK (("allocation"."payment_id" is null) <> ("allocation"."credit_note_id" is null)),
	CONSTRAINT "allocation_target" CHECK (("allocation"."invoice_id" is null) <> ("allocation"."refund_id" is null)),
	CONSTRAINT "allocation_something" CHECK ("allocation"."amount" <> 0)
);
--> statement-breakpoint
CREATE TABLE "invoice_draft" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"what" jsonb NOT NULL,
	"title" text NOT NULL,
	"shows" jsonb NOT NULL,
	"remark" text NOT NULL,
	"saved_by" uuid NOT NULL,
	"saved_at" timestamp with time zone NOT NULL,
	CONSTRAINT "invoice_draft_company_id_agreement_id_pk" PRIMARY KEY("company_id","agreement_id")
);
--> statement-breakpoint
CREATE TABLE "invoice_part" (
	"company_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"tax_class" text NOT NULL,
	"net" numeric NOT NULL,
	CONSTRAINT "invoice_part_company_id_invoice_id_kind_tax_class_pk" PRIMARY KEY("company_id","invoice_id","kind","tax_class"),
	CONSTRAINT "invoice_part_kind" CHECK ("invoice_part"."kind" in ('retainage', 'advance'))
);
--> statement-breakpoint
CREATE TABLE "invoice_part_tax" (
	"company_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"tax_class" text NOT NULL,
	"agreement_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "invoice_part_tax_company_id_invoice_id_kind_tax_class_position_pk" PRIMARY KEY("company_id","invoice_id","kind","tax_class","position")
);
--> statement-breakpoint
CREATE TABLE "payment_reversal" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"payment_id" uuid NOT NULL,
	"amount" numeric NOT NULL,
	"reason" text NOT NULL,
	"happened_on" date NOT NULL,
	"idempotency_key" text NOT NULL,
	"recorded_by" uuid,
	"recorded_at" timestamp with time zone NOT NULL,
	CONSTRAINT "payment_reversal_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "payment_reversal_key" UNIQUE("company_id","idempotency_key")
);
--> statement-breakpoint
CREATE TABLE "refund" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"customer_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"method" text NOT NULL,
	"amount" numeric NOT NULL,
	"paid_on" date NOT NULL,
	"reference" text DEFAULT '' NOT NULL,
	"idempotency_key" text NOT NULL,
	"recorded_by" uuid,
	"recorded_at" timestamp with time zone NOT NULL,
	CONSTRAINT "refund_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "refund_key" UNIQUE("company_id","idempotency_key"),
	CONSTRAINT "refund_positive" CHECK ("refund"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "invoice" DROP CONSTRAINT "invoice_entry";--> statement-breakpoint
ALTER TABLE "invoice" DROP CONSTRAINT "invoice_number";--> statement-breakpoint
ALTER TABLE "agreement" ADD COLUMN "billing" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "kind" text DEFAULT 'invoice' NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "series" text DEFAULT 'invoice' NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "year" integer;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "label" text;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "position" integer;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "credits" uuid;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "holds" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "shows" jsonb DEFAULT '{"unbilled":"hidden","bundles":"agreed"}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "remark" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "credit_used" numeric DEFAULT '0' NOT NULL;--> statement-breakpoint
-- Invoices that were issued before stay as they are printed: their number is their label.
ALTER TABLE "invoice" DISABLE TRIGGER append_only;--> statement-breakpoint
UPDATE "invoice" SET "year" = extract(year from "issued_on"), "label" = "number"::text, "position" = ranked.position,
  "holds" = NOT coalesce((SELECT p.kind = 'deposit' FROM agreement_payment p
    WHERE p.company_id = "invoice".company_id AND p.agreement_id = "invoice".agreement_id AND p.entry_id = "invoice".entry_id), false)
  FROM (SELECT company_id, id, row_number() OVER (PARTITION BY company_id, agreement_id ORDER BY number) AS position FROM "invoice") ranked
  WHERE ranked.company_id = "invoice".company_id AND ranked.id = "invoice".id;--> statement-breakpoint
ALTER TABLE "invoice" ENABLE TRIGGER append_only;--> statement-breakpoint
ALTER TABLE "invoice" ALTER COLUMN "year" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ALTER COLUMN "label" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "invoice" ALTER COLUMN "position" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "agreement_stage" ADD CONSTRAINT "agreement_stage_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line_stage" ADD CONSTRAINT "line_stage_company_id_agreement_id_line_id_agreement_line_company_id_agreement_id_line_id_fk" FOREIGN KEY ("company_id","agreement_id","line_id") REFERENCES "public"."agreement_line"("company_id","agreement_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "line_stage" ADD CONSTRAINT "line_stage_company_id_agreement_id_stage_agreement_stage_company_id_agreement_id_name_fk" FOREIGN KEY ("company_id","agreement_id","stage") REFERENCES "public"."agreement_stage"("company_id","agreement_id","name") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "allocation" ADD CONSTRAINT "allocation_company_id_payment_id_payment_company_id_id_fk" FOREIGN KEY ("company_id","payment_id") REFERENCES "public"."payment"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "allocation" ADD CONSTRAINT "allocation_company_id_credit_note_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","credit_note_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "allocation" ADD CONSTRAINT "allocation_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "allocation" ADD CONSTRAINT "allocation_company_id_refund_id_refund_company_id_id_fk" FOREIGN KEY ("company_id","refund_id") REFERENCES "public"."refund"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_draft" ADD CONSTRAINT "invoice_draft_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_part" ADD CONSTRAINT "invoice_part_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_part_tax" ADD CONSTRAINT "invoice_part_tax_company_id_invoice_id_kind_tax_class_invoice_part_company_id_invoice_id_kind_tax_class_fk" FOREIGN KEY ("company_id","invoice_id","kind","tax_class") REFERENCES "public"."invoice_part"("company_id","invoice_id","kind","tax_class") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_part_tax" ADD CONSTRAINT "invoice_part_tax_company_id_agreement_id_position_agreement_tax_company_id_agreement_id_position_fk" FOREIGN KEY ("company_id","agreement_id","position") REFERENCES "public"."agreement_tax"("company_id","agreement_id","position") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payment_reversal" ADD CONSTRAINT "payment_reversal_company_id_payment_id_payment_company_id_id_fk" FOREIGN KEY ("company_id","payment_id") REFERENCES "public"."payment"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "allocation_payment" ON "allocation" USING btree ("company_id","payment_id");--> statement-breakpoint
CREATE INDEX "allocation_credit_note" ON "allocation" USING btree ("company_id","credit_note_id");--> statement-breakpoint
CREATE INDEX "allocation_invoice" ON "allocation" USING btree ("company_id","invoice_id");--> statement-breakpoint
CREATE INDEX "allocation_refund" ON "allocation" USING btree ("company_id","refund_id");--> statement-breakpoint
CREATE INDEX "invoice_part_agreement" ON "invoice_part" USING btree ("company_id","agreement_id");--> statement-breakpoint
CREATE INDEX "invoice_part_tax_agreement" ON "invoice_part_tax" USING btree ("company_id","agreement_id");--> statement-breakpoint
CREATE INDEX "payment_reversal_payment" ON "payment_reversal" USING btree ("company_id","payment_id");--> statement-breakpoint
CREATE INDEX "refund_agreement" ON "refund" USING btree ("company_id","agreement_id");--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_company_id_credits_invoice_company_id_id_fk" FOREIGN KEY ("company_id","credits") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "payment_agreement" ON "payment" USING btree ("company_id","agreement_id");--> statement-breakpoint
CREATE INDEX "payment_received" ON "payment" USING btree ("company_id","received_on");--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_position" UNIQUE("company_id","agreement_id","position");--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_number" UNIQUE("company_id","series","year","number");--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_kind" CHECK ("invoice"."kind" in ('invoice', 'advance', 'release', 'credit note'));--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_credits" CHECK ("invoice"."credits" is null or "invoice"."kind" = 'credit note');--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_sign" CHECK (case when "invoice"."kind" = 'credit note' then "invoice"."total" <= 0 else "invoice"."total" >= 0 end);