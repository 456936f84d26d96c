CREATE EXTENSION IF NOT EXISTS pg_trgm;
--> statement-breakpoint
CREATE EXTENSION IF NOT EXISTS btree_gin;
--> statement-breakpoint
CREATE TABLE "attempt" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"bucket" text NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "audit" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"user_id" uuid,
	"act" text NOT NULL,
	"subject" uuid NOT NULL,
	"detail" jsonb NOT NULL,
	CONSTRAINT "audit_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
CREATE TABLE "company" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"address" jsonb NOT NULL,
	"email" text NOT NULL,
	"phone" text NOT NULL,
	"tax_number" text NOT NULL,
	"currency" text NOT NULL,
	"time_zone" text NOT NULL,
	"deposit_invoice_on_acceptance" boolean DEFAULT true NOT NULL,
	"validity_days" integer DEFAULT 30 NOT NULL,
	"payment_days" integer DEFAULT 14 NOT NULL,
	"usual" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "session" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"user_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"browser" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"last_seen_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "session_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "session_token" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "app_user" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"password_hash" text NOT NULL,
	"disabled_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "app_user_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "app_user_role" CHECK ("app_user"."role" in ('owner', 'seller', 'office'))
);
--> statement-breakpoint
CREATE TABLE "customer" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"contact_name" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"billing" jsonb NOT NULL,
	"internal_note" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "customer_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
CREATE TABLE "site" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"customer_id" uuid NOT NULL,
	"address" jsonb NOT NULL,
	"internal_note" text DEFAULT '' NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	CONSTRAINT "site_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
CREATE TABLE "item" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"code" text NOT NULL,
	"name" text NOT NULL,
	"detail" text DEFAULT '' NOT NULL,
	"trade" text NOT NULL,
	"unit" text NOT NULL,
	"costs" jsonb NOT NULL,
	"tax_class" text NOT NULL,
	"cost_code" text DEFAULT '' NOT NULL,
	"tags" text[] DEFAULT '{}' NOT NULL,
	"internal_note" text DEFAULT '' NOT NULL,
	"retired_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	"search_text" text NOT NULL,
	CONSTRAINT "item_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "item_code" UNIQUE("company_id","code")
);
--> statement-breakpoint
CREATE TABLE "labour_rate" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"normal" numeric NOT NULL,
	"overtime" numeric NOT NULL,
	CONSTRAINT "labour_rate_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "labour_rate_positive" CHECK ("labour_rate"."normal" >= 0 and "labour_rate"."overtime" >= "labour_rate"."normal")
);
--> statement-breakpoint
CREATE TABLE "template" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"about" text NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "template_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "template_name" UNIQUE("company_id","name")
);
--> statement-breakpoint
CREATE TABLE "customer_choice" (
	"company_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"choices" jsonb NOT NULL,
	"updated_at" timestamp with time zone NOT NULL,
	CONSTRAINT "customer_choice_company_id_revision_id_pk" PRIMARY KEY("company_id","revision_id")
);
--> statement-breakpoint
CREATE TABLE "decline" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"reason" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "decline_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "decline_revision" UNIQUE("company_id","revision_id")
);
--> statement-breakpoint
CREATE TABLE "link" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"proposal_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"first_opened_at" timestamp with time zone,
	"last_opened_at" timestamp with time zone,
	CONSTRAINT "link_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "link_token" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "message" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"proposal_id" uuid,
	"kind" text NOT NULL,
	"to_address" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"state" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "message_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
CREATE TABLE "proposal" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"number" integer NOT NULL,
	"customer_id" uuid NOT NULL,
	"site_id" uuid NOT NULL,
	"seller_id" uuid NOT NULL,
	"title" text NOT NULL,
	"state" text NOT NULL,
	"document" jsonb NOT NULL,
	"save_number" integer NOT NULL,
	"sent_save_number" integer,
	"total" numeric NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"updated_at" timestamp with time zone NOT NULL,
	CONSTRAINT "proposal_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "proposal_number" UNIQUE("company_id","number"),
	CONSTRAINT "proposal_state" CHECK ("proposal"."state" in ('draft', 'sent', 'accepted', 'declined', 'lapsed', 'withdrawn'))
);
--> statement-breakpoint
CREATE TABLE "proposal_edit" (
	"company_id" uuid NOT NULL,
	"proposal_id" uuid NOT NULL,
	"save_number" integer NOT NULL,
	"patches" jsonb NOT NULL,
	"user_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "proposal_edit_company_id_proposal_id_save_number_pk" PRIMARY KEY("company_id","proposal_id","save_number")
);
--> statement-breakpoint
CREATE TABLE "revision" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"proposal_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"canonical" text NOT NULL,
	"sha256" text NOT NULL,
	"sent_by" uuid NOT NULL,
	"sent_at" timestamp with time zone NOT NULL,
	CONSTRAINT "revision_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "revision_number" UNIQUE("company_id","proposal_id","number"),
	CONSTRAINT "revision_sha256" CHECK ("revision"."sha256" ~ '^[0-9a-f]{64}$')
);
--> statement-breakpoint
CREATE TABLE "agreement" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"number" integer NOT NULL,
	"proposal_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"customer_id" uuid NOT NULL,
	"site_id" uuid NOT NULL,
	"title" text NOT NULL,
	"currency" text NOT NULL,
	"choices" jsonb NOT NULL,
	"revision_sha256" text NOT NULL,
	"signer_name" text NOT NULL,
	"signature" jsonb NOT NULL,
	"consent" text NOT NULL,
	"accepted_at" timestamp with time zone NOT NULL,
	"browser" text NOT NULL,
	"idempotency_key" text NOT NULL,
	"net" numeric NOT NULL,
	"tax" numeric NOT NULL,
	"total" numeric NOT NULL,
	CONSTRAINT "agreement_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "agreement_proposal" UNIQUE("company_id","proposal_id"),
	CONSTRAINT "agreement_number" UNIQUE("company_id","number"),
	CONSTRAINT "agreement_sum" CHECK ("agreement"."net" + "agreement"."tax" = "agreement"."total")
);
--> statement-breakpoint
CREATE TABLE "agreement_line" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"position" integer NOT NULL,
	"section_title" text NOT NULL,
	"description" text NOT NULL,
	"unit" text NOT NULL,
	"quantity" numeric NOT NULL,
	"unit_price" numeric NOT NULL,
	"cost_code" text,
	"tax_class" text NOT NULL,
	"net" numeric NOT NULL,
	"cost" numeric NOT NULL,
	CONSTRAINT "agreement_line_company_id_agreement_id_line_id_pk" PRIMARY KEY("company_id","agreement_id","line_id")
);
--> statement-breakpoint
CREATE TABLE "agreement_line_tax" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"position" integer NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "agreement_line_tax_company_id_agreement_id_line_id_position_pk" PRIMARY KEY("company_id","agreement_id","line_id","position")
);
--> statement-breakpoint
CREATE TABLE "agreement_payment" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"entry_id" text NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"due" jsonb NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "agreement_payment_company_id_agreement_id_entry_id_pk" PRIMARY KEY("company_id","agreement_id","entry_id")
);
--> statement-breakpoint
CREATE TABLE "agreement_tax" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"key" text NOT NULL,
	"tax_class" text NOT NULL,
	"name" text NOT NULL,
	"percent" numeric NOT NULL,
	"base" numeric NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "agreement_tax_company_id_agreement_id_position_pk" PRIMARY KEY("company_id","agreement_id","position")
);
--> statement-breakpoint
CREATE TABLE "card_charge" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"idempotency_key" text NOT NULL,
	"amount" numeric NOT NULL,
	"last_four" text NOT NULL,
	"answer" text NOT NULL,
	"reason" text,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "card_charge_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "card_charge_key" UNIQUE("company_id","idempotency_key")
);
--> statement-breakpoint
CREATE TABLE "draw" (
	"company_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"net" numeric NOT NULL,
	CONSTRAINT "draw_company_id_invoice_id_line_id_pk" PRIMARY KEY("company_id","invoice_id","line_id")
);
--> statement-breakpoint
CREATE TABLE "draw_tax" (
	"company_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"agreement_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "draw_tax_company_id_invoice_id_line_id_position_pk" PRIMARY KEY("company_id","invoice_id","line_id","position")
);
--> statement-breakpoint
CREATE TABLE "invoice" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"entry_id" text,
	"title" text NOT NULL,
	"issued_on" date NOT NULL,
	"due_on" date NOT NULL,
	"seller" jsonb NOT NULL,
	"buyer" jsonb NOT NULL,
	"net" numeric NOT NULL,
	"tax" numeric NOT NULL,
	"total" numeric NOT NULL,
	"billed_before" numeric NOT NULL,
	"issued_by" uuid,
	"issued_at" timestamp with time zone NOT NULL,
	CONSTRAINT "invoice_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "invoice_number" UNIQUE("company_id","number"),
	CONSTRAINT "invoice_entry" UNIQUE("company_id","agreement_id","entry_id"),
	CONSTRAINT "invoice_sum" CHECK ("invoice"."net" + "invoice"."tax" = "invoice"."total")
);
--> statement-breakpoint
CREATE TABLE "number_series" (
	"company_id" uuid NOT NULL,
	"series" text NOT NULL,
	"last" integer NOT NULL,
	CONSTRAINT "number_series_company_id_series_pk" PRIMARY KEY("company_id","series")
);
--> statement-breakpoint
CREATE TABLE "payment" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"customer_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"method" text NOT NULL,
	"amount" numeric NOT NULL,
	"received_on" date NOT NULL,
	"reference" text DEFAULT '' NOT NULL,
	"idempotency_key" text NOT NULL,
	"recorded_by" uuid,
	"recorded_at" timestamp with time zone NOT NULL,
	CONSTRAINT "payment_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "payment_key" UNIQUE("company_id","idempotency_key"),
	CONSTRAINT "payment_positive" CHECK ("payment"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "payment_part" (
	"company_id" uuid NOT NULL,
	"payment_id" uuid NOT NULL,
	"invoice_id" uuid NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "payment_part_company_id_payment_id_invoice_id_pk" PRIMARY KEY("company_id","payment_id","invoice_id"),
	CONSTRAINT "payment_part_positive" CHECK ("payment_part"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "app_user" ADD CONSTRAINT "app_user_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer" ADD CONSTRAINT "customer_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "site" ADD CONSTRAINT "site_company_id_customer_id_customer_company_id_id_fk" FOREIGN KEY ("company_id","customer_id") REFERENCES "public"."customer"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item" ADD CONSTRAINT "item_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "labour_rate" ADD CONSTRAINT "labour_rate_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "template" ADD CONSTRAINT "template_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer_choice" ADD CONSTRAINT "customer_choice_company_id_revision_id_revision_company_id_id_fk" FOREIGN KEY ("company_id","revision_id") REFERENCES "public"."revision"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decline" ADD CONSTRAINT "decline_company_id_revision_id_revision_company_id_id_fk" FOREIGN KEY ("company_id","revision_id") REFERENCES "public"."revision"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "link" ADD CONSTRAINT "link_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal" ADD CONSTRAINT "proposal_company_id_customer_id_customer_company_id_id_fk" FOREIGN KEY ("company_id","customer_id") REFERENCES "public"."customer"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal" ADD CONSTRAINT "proposal_company_id_site_id_site_company_id_id_fk" FOREIGN KEY ("company_id","site_id") REFERENCES "public"."site"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal" ADD CONSTRAINT "proposal_company_id_seller_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","seller_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proposal_edit" ADD CONSTRAINT "proposal_edit_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "revision" ADD CONSTRAINT "revision_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement" ADD CONSTRAINT "agreement_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement" ADD CONSTRAINT "agreement_company_id_revision_id_revision_company_id_id_fk" FOREIGN KEY ("company_id","revision_id") REFERENCES "public"."revision"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement" ADD CONSTRAINT "agreement_company_id_customer_id_customer_company_id_id_fk" FOREIGN KEY ("company_id","customer_id") REFERENCES "public"."customer"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement" ADD CONSTRAINT "agreement_company_id_site_id_site_company_id_id_fk" FOREIGN KEY ("company_id","site_id") REFERENCES "public"."site"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD CONSTRAINT "agreement_line_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_line_tax" ADD CONSTRAINT "agreement_line_tax_company_id_agreement_id_line_id_agreement_line_company_id_agreement_id_line_id_fk" FOREIGN KEY ("company_id","agreement_id","line_id") REFERENCES "public"."agreement_line"("company_id","agreement_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_line_tax" ADD CONSTRAINT "agreement_line_tax_company_id_agreement_id_position_agreement_tax_company_id_agreement_id_position_fk" FOREIGN KEY ("company_id","agreement_id","position") REFERENCES "public"."agreement_tax"("company_id","agreement_id","position") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_payment" ADD CONSTRAINT "agreement_payment_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_tax" ADD CONSTRAINT "agreement_tax_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card_charge" ADD CONSTRAINT "card_charge_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "draw" ADD CONSTRAINT "draw_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "draw" ADD CONSTRAINT "draw_company_id_agreement_id_line_id_agreement_line_company_id_agreement_id_line_id_fk" FOREIGN KEY ("company_id","agreement_id","line_id") REFERENCES "public"."agreement_line"("company_id","agreement_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "draw_tax" ADD CONSTRAINT "draw_tax_company_id_invoice_id_line_id_draw_company_id_invoice_id_line_id_fk" FOREIGN KEY ("company_id","invoice_id","line_id") REFERENCES "public"."draw"("company_id","invoice_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "draw_tax" ADD CONSTRAINT "draw_tax_company_id_agreement_id_position_agreement_tax_company_id_agreement_id_position_fk" FOREIGN KEY ("company_id","agreement_id","position") REFERENCES "public"."agreement_tax"("company_id","agreement_id","position") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_company_id_agreement_id_entry_id_agreement_payment_company_id_agreement_id_entry_id_fk" FOREIGN KEY ("company_id","agreement_id","entry_id") REFERENCES "public"."agreement_payment"("company_id","agreement_id","entry_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payment" ADD CONSTRAINT "payment_company_id_customer_id_customer_company_id_id_fk" FOREIGN KEY ("company_id","customer_id") REFERENCES "public"."customer"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payment" ADD CONSTRAINT "payment_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payment_part" ADD CONSTRAINT "payment_part_company_id_payment_id_payment_company_id_id_fk" FOREIGN KEY ("company_id","payment_id") REFERENCES "public"."payment"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payment_part" ADD CONSTRAINT "payment_part_company_id_invoice_id_invoice_company_id_id_fk" FOREIGN KEY ("company_id","invoice_id") REFERENCES "public"."invoice"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "attempt_bucket" ON "attempt" USING btree ("bucket","at");--> statement-breakpoint
CREATE INDEX "audit_subject" ON "audit" USING btree ("company_id","subject","at");--> statement-breakpoint
CREATE UNIQUE INDEX "app_user_email" ON "app_user" USING btree (lower("email"));--> statement-breakpoint
CREATE INDEX "customer_name" ON "customer" USING btree ("company_id","name");--> statement-breakpoint
CREATE INDEX "site_customer" ON "site" USING btree ("company_id","customer_id");--> statement-breakpoint
CREATE INDEX "item_search" ON "item" USING gin ("company_id","search_text" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "message_at" ON "message" USING btree ("company_id","at");--> statement-breakpoint
CREATE INDEX "proposal_customer" ON "proposal" USING btree ("company_id","customer_id");--> statement-breakpoint
CREATE INDEX "draw_line" ON "draw" USING btree ("company_id","agreement_id","line_id");