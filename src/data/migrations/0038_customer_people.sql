CREATE TABLE "customer_person" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"customer_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"role" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"gets_offers" boolean DEFAULT false NOT NULL,
	"gets_invoices" boolean DEFAULT false NOT NULL,
	CONSTRAINT "customer_person_company_id_customer_id_id_pk" PRIMARY KEY("company_id","customer_id","id")
);
--> statement-breakpoint
ALTER TABLE "customer_person" ADD CONSTRAINT "customer_person_company_id_customer_id_customer_company_id_id_fk" FOREIGN KEY ("company_id","customer_id") REFERENCES "public"."customer"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE customer_person ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON customer_person TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON customer_person TO impegno_app;
