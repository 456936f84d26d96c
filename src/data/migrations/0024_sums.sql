CREATE TABLE "agreement_money" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"billed" numeric DEFAULT '0' NOT NULL,
	"held" numeric DEFAULT '0' NOT NULL,
	"credit" numeric DEFAULT '0' NOT NULL,
	CONSTRAINT "agreement_money_company_id_agreement_id_pk" PRIMARY KEY("company_id","agreement_id")
);
--> statement-breakpoint
CREATE TABLE "invoice_open" (
	"company_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"due_on" date NOT NULL,
	"open" numeric NOT NULL,
	CONSTRAINT "invoice_open_company_id_invoice_id_pk" PRIMARY KEY("company_id","invoice_id")
);
--> statement-breakpoint
CREATE INDEX "invoice_open_due" ON "invoice_open" USING btree ("company_id","due_on") WHERE "invoice_open"."open" > 0;