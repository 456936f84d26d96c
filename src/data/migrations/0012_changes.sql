CREATE TABLE "agreement_allowance" (
	"company_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"terms" jsonb NOT NULL,
	"spend" numeric NOT NULL,
	CONSTRAINT "agreement_allowance_company_id_agreement_id_line_id_pk" PRIMARY KEY("company_id","agreement_id","line_id")
);
--> statement-breakpoint
CREATE TABLE "agreement_payment_change" (
	"company_id" uuid NOT NULL,
	"change_order_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"entry_id" text NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "agreement_payment_change_company_id_change_order_id_entry_id_pk" PRIMARY KEY("company_id","change_order_id","entry_id")
);
--> statement-breakpoint
CREATE TABLE "change_order" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"proposal_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"title" text NOT NULL,
	"choices" jsonb NOT NULL,
	"net" numeric NOT NULL,
	"tax" numeric NOT NULL,
	"total" numeric NOT NULL,
	"accepted_at" timestamp with time zone NOT NULL,
	CONSTRAINT "change_order_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "change_order_proposal" UNIQUE("company_id","proposal_id"),
	CONSTRAINT "change_order_number" UNIQUE("company_id","agreement_id","number"),
	CONSTRAINT "change_order_sum" CHECK ("change_order"."net" + "change_order"."tax" = "change_order"."total")
);
--> statement-breakpoint
CREATE TABLE "change_order_tax" (
	"company_id" uuid NOT NULL,
	"change_order_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"base" numeric NOT NULL,
	"amount" numeric NOT NULL,
	CONSTRAINT "change_order_tax_company_id_change_order_id_position_pk" PRIMARY KEY("company_id","change_order_id","position")
);
--> statement-breakpoint
CREATE TABLE "customer_question" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"proposal_id" uuid NOT NULL,
	"revision_id" uuid NOT NULL,
	"words" text NOT NULL,
	"asked_at" timestamp with time zone NOT NULL,
	"answer" text,
	"answered_by" uuid,
	"answered_at" timestamp with time zone,
	CONSTRAINT "customer_question_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "customer_question_answered" CHECK (("customer_question"."answer" is null) = ("customer_question"."answered_by" is null) and ("customer_question"."answer" is null) = ("customer_question"."answered_at" is null))
);
--> statement-breakpoint
CREATE TABLE "selection" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"round_id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"position" integer NOT NULL,
	"document" jsonb NOT NULL,
	"choices" jsonb NOT NULL,
	"chosen" numeric NOT NULL,
	"signed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "selection_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "selection_round_once" UNIQUE("company_id","round_id"),
	CONSTRAINT "selection_order" UNIQUE("company_id","agreement_id","line_id","position")
);
--> statement-breakpoint
CREATE TABLE "selection_round" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"line_id" text NOT NULL,
	"document" jsonb NOT NULL,
	"save_number" integer NOT NULL,
	"state" text NOT NULL,
	"offered_at" timestamp with time zone,
	"choices" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"updated_at" timestamp with time zone NOT NULL,
	CONSTRAINT "selection_round_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "selection_round_state" CHECK ("selection_round"."state" in ('prepared', 'offered', 'withdrawn'))
);
--> statement-breakpoint
CREATE TABLE "signing" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"subject" uuid NOT NULL,
	"statement" text NOT NULL,
	"sha256" text NOT NULL,
	"signer_name" text NOT NULL,
	"signature" jsonb NOT NULL,
	"browser" text NOT NULL,
	"from_address" text NOT NULL,
	"recorded_by" uuid,
	"signed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "signing_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "signing_subject" UNIQUE("company_id","kind","subject"),
	CONSTRAINT "signing_kind" CHECK ("signing"."kind" in ('proposal', 'change order', 'selections')),
	CONSTRAINT "signing_sha256" CHECK ("signing"."sha256" ~ '^[0-9a-f]{64}$')
);
--> statement-breakpoint
ALTER TABLE "proposal" DROP CONSTRAINT "proposal_number";--> statement-breakpoint
ALTER TABLE "proposal" ADD COLUMN "agreement_id" uuid;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "change_order_id" uuid;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "omits" text;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "omitted_quantity" numeric;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "settles" text;--> statement-breakpoint
ALTER TABLE "agreement_payment" ADD COLUMN "change_order_id" uuid;--> statement-breakpoint
ALTER TABLE "agreement_allowance" ADD CONSTRAINT "agreement_allowance_company_id_agreement_id_line_id_agreement_line_company_id_agreement_id_line_id_fk" FOREIGN KEY ("company_id","agreement_id","line_id") REFERENCES "public"."agreement_line"("company_id","agreement_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_payment_change" ADD CONSTRAINT "agreement_payment_change_company_id_change_order_id_change_order_company_id_id_fk" FOREIGN KEY ("company_id","change_order_id") REFERENCES "public"."change_order"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_payment_change" ADD CONSTRAINT "agreement_payment_change_company_id_agreement_id_entry_id_agreement_payment_company_id_agreement_id_entry_id_fk" FOREIGN KEY ("company_id","agreement_id","entry_id") REFERENCES "public"."agreement_payment"("company_id","agreement_id","entry_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "change_order" ADD CONSTRAINT "change_order_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "change_order" ADD CONSTRAINT "change_order_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "change_order" ADD CONSTRAINT "change_order_company_id_revision_id_revision_company_id_id_fk" FOREIGN KEY ("company_id","revision_id") REFERENCES "public"."revision"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "change_order_tax" ADD CONSTRAINT "change_order_tax_company_id_change_order_id_change_order_company_id_id_fk" FOREIGN KEY ("company_id","change_order_id") REFERENCES "public"."change_order"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "change_order_tax" ADD CONSTRAINT "change_order_tax_company_id_agreement_id_position_agreement_tax_company_id_agreement_id_position_fk" FOREIGN KEY ("company_id","agreement_id","position") REFERENCES "public"."agreement_tax"("company_id","agreement_id","position") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer_question" ADD CONSTRAINT "customer_question_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer_question" ADD CONSTRAINT "customer_question_company_id_revision_id_revision_company_id_id_fk" FOREIGN KEY ("company_id","revision_id") REFERENCES "public"."revision"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer_question" ADD CONSTRAINT "customer_question_company_id_answered_by_app_user_company_id_id_fk" FOREIGN KEY ("company_id","answered_by") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "selection" ADD CONSTRAINT "selection_company_id_round_id_selection_round_company_id_id_fk" FOREIGN KEY ("company_id","round_id") REFERENCES "public"."selection_round"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "selection_round" ADD CONSTRAINT "selection_round_company_id_agreement_id_line_id_agreement_allowance_company_id_agreement_id_line_id_fk" FOREIGN KEY ("company_id","agreement_id","line_id") REFERENCES "public"."agreement_allowance"("company_id","agreement_id","line_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "signing" ADD CONSTRAINT "signing_company_id_agreement_id_agreement_company_id_id_fk" FOREIGN KEY ("company_id","agreement_id") REFERENCES "public"."agreement"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "signing" ADD CONSTRAINT "signing_company_id_recorded_by_app_user_company_id_id_fk" FOREIGN KEY ("company_id","recorded_by") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "proposal_number" ON "proposal" USING btree ("company_id","number") WHERE "proposal"."agreement_id" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "proposal_change_number" ON "proposal" USING btree ("company_id","agreement_id","number") WHERE "proposal"."agreement_id" is not null;