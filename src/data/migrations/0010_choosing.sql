CREATE TABLE "approval" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"proposal_id" uuid NOT NULL,
	"save_number" integer NOT NULL,
	"reasons" jsonb NOT NULL,
	"asked_by" uuid NOT NULL,
	"asked_at" timestamp with time zone NOT NULL,
	"words" text DEFAULT '' NOT NULL,
	"verdict" text,
	"answered_by" uuid,
	"answered_at" timestamp with time zone,
	"answer" text DEFAULT '' NOT NULL,
	CONSTRAINT "approval_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "approval_once" UNIQUE("company_id","proposal_id","save_number"),
	CONSTRAINT "approval_answered" CHECK (("approval"."verdict" is null) = ("approval"."answered_by" is null) and ("approval"."verdict" is null) = ("approval"."answered_at" is null))
);
--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "pricing" jsonb DEFAULT '{"loadSets":[],"limits":{}}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "customer" ADD COLUMN "tax_exempt" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "customer_choice" ADD COLUMN "number" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "customer_choice" ADD COLUMN "preset_by" uuid;--> statement-breakpoint
ALTER TABLE "approval" ADD CONSTRAINT "approval_company_id_proposal_id_proposal_company_id_id_fk" FOREIGN KEY ("company_id","proposal_id") REFERENCES "public"."proposal"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "approval" ADD CONSTRAINT "approval_company_id_asked_by_app_user_company_id_id_fk" FOREIGN KEY ("company_id","asked_by") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "approval" ADD CONSTRAINT "approval_company_id_answered_by_app_user_company_id_id_fk" FOREIGN KEY ("company_id","answered_by") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer_choice" ADD CONSTRAINT "customer_choice_company_id_preset_by_app_user_company_id_id_fk" FOREIGN KEY ("company_id","preset_by") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;