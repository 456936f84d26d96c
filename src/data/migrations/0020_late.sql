CREATE TABLE "reminder" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"step" text NOT NULL,
	"days" integer NOT NULL,
	"subject" text NOT NULL,
	"sent_by" uuid,
	"sent_at" timestamp with time zone NOT NULL,
	CONSTRAINT "reminder_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "reminder_once" UNIQUE("company_id","invoice_id","step")
);
--> statement-breakpoint
ALTER TABLE "invoice" DROP CONSTRAINT "invoice_kind";--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "late_terms" jsonb;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "late_of" uuid;--> statement-breakpoint
ALTER TABLE "invoice" ADD COLUMN "late_until" date;--> statement-breakpoint
ALTER TABLE "reminder" ADD CONSTRAINT "reminder_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "reminder_invoice" ON "reminder" USING btree ("company_id","invoice_id");--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_company_id_late_of_invoice_company_id_id_fk" FOREIGN KEY ("company_id","late_of") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_late" CHECK (("invoice"."kind" = 'late charge') = ("invoice"."late_of" is not null) and ("invoice"."late_of" is null) = ("invoice"."late_until" is null));--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_kind" CHECK ("invoice"."kind" in ('invoice', 'advance', 'release', 'late charge', 'credit note'));