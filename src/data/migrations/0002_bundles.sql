CREATE TABLE "bundle" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"code" text NOT NULL,
	"name" text NOT NULL,
	"detail" text DEFAULT '' NOT NULL,
	"trade" text NOT NULL,
	"tags" text[] DEFAULT '{}' NOT NULL,
	"internal_note" text DEFAULT '' NOT NULL,
	"shows" text NOT NULL,
	"recipe" jsonb NOT NULL,
	"edition" integer DEFAULT 1 NOT NULL,
	"retired_at" timestamp with time zone,
	"created_at" timestamp with time zone NOT NULL,
	"updated_at" timestamp with time zone NOT NULL,
	"search_text" text NOT NULL,
	CONSTRAINT "bundle_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "bundle_code" UNIQUE("company_id","code"),
	CONSTRAINT "bundle_edition" CHECK ("bundle"."edition" > 0)
);
--> statement-breakpoint
CREATE TABLE "bundle_use" (
	"company_id" uuid NOT NULL,
	"bundle_id" uuid NOT NULL,
	"used_id" uuid NOT NULL,
	"item_id" uuid,
	"inner_id" uuid,
	CONSTRAINT "bundle_use_company_id_bundle_id_used_id_pk" PRIMARY KEY("company_id","bundle_id","used_id"),
	CONSTRAINT "bundle_use_one" CHECK (("bundle_use"."item_id" is null) <> ("bundle_use"."inner_id" is null) and "bundle_use"."used_id" = coalesce("bundle_use"."item_id", "bundle_use"."inner_id"))
);
--> statement-breakpoint
CREATE TABLE "item_cost" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"item_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"user_id" uuid,
	"why" text NOT NULL,
	"before" jsonb NOT NULL,
	"after" jsonb NOT NULL,
	"unit_before" numeric NOT NULL,
	"unit_after" numeric NOT NULL,
	CONSTRAINT "item_cost_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
CREATE TABLE "library_star" (
	"company_id" uuid NOT NULL,
	"user_id" uuid NOT NULL,
	"starred_id" uuid NOT NULL,
	CONSTRAINT "library_star_company_id_user_id_starred_id_pk" PRIMARY KEY("company_id","user_id","starred_id")
);
--> statement-breakpoint
CREATE TABLE "library_use" (
	"company_id" uuid NOT NULL,
	"used_id" uuid NOT NULL,
	"section_kind" text NOT NULL,
	"count" integer NOT NULL,
	"last_at" timestamp with time zone NOT NULL,
	CONSTRAINT "library_use_company_id_section_kind_used_id_pk" PRIMARY KEY("company_id","section_kind","used_id")
);
--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "waste" numeric;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "pack" numeric;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "minimum_charge" numeric;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "breaks" jsonb;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "supplier_note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "bundle_id" text;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "bundle_name" text;--> statement-breakpoint
ALTER TABLE "agreement_line" ADD COLUMN "bundle_one" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "bundle" ADD CONSTRAINT "bundle_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bundle_use" ADD CONSTRAINT "bundle_use_company_id_bundle_id_bundle_company_id_id_fk" FOREIGN KEY ("company_id","bundle_id") REFERENCES "public"."bundle"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bundle_use" ADD CONSTRAINT "bundle_use_company_id_item_id_item_company_id_id_fk" FOREIGN KEY ("company_id","item_id") REFERENCES "public"."item"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bundle_use" ADD CONSTRAINT "bundle_use_company_id_inner_id_bundle_company_id_id_fk" FOREIGN KEY ("company_id","inner_id") REFERENCES "public"."bundle"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item_cost" ADD CONSTRAINT "item_cost_company_id_item_id_item_company_id_id_fk" FOREIGN KEY ("company_id","item_id") REFERENCES "public"."item"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "library_star" ADD CONSTRAINT "library_star_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "library_use" ADD CONSTRAINT "library_use_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bundle_search" ON "bundle" USING gin ("company_id","search_text" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "bundle_use_used" ON "bundle_use" USING btree ("company_id","used_id");--> statement-breakpoint
CREATE INDEX "item_cost_item" ON "item_cost" USING btree ("company_id","item_id","at");