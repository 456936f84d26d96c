CREATE TABLE "sealed" (
	"company_id" uuid NOT NULL,
	"paper" uuid NOT NULL,
	CONSTRAINT "sealed_company_id_paper_pk" PRIMARY KEY("company_id","paper")
);
--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_label" UNIQUE("company_id","label");--> statement-breakpoint
ALTER TABLE "signing" ADD CONSTRAINT "signing_statement" UNIQUE("sha256");