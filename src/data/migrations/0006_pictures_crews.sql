CREATE TABLE "crew" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"people" jsonb NOT NULL,
	"equipment" jsonb NOT NULL,
	CONSTRAINT "crew_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "crew_name" UNIQUE("company_id","name")
);
--> statement-breakpoint
CREATE TABLE "kept_file" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"media_type" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"small" "bytea" NOT NULL,
	"sha256" text NOT NULL,
	"user_id" uuid,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "kept_file_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "kept_file_kind" CHECK ("kept_file"."kind" in ('plan', 'picture')),
	CONSTRAINT "kept_file_size" CHECK ("kept_file"."width" > 0 and "kept_file"."height" > 0 and octet_length("kept_file"."bytes") <= 10485760)
);
--> statement-breakpoint
ALTER TABLE "app_user" ADD COLUMN "desk" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "bundle" ADD COLUMN "picture" uuid;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "loads" jsonb;--> statement-breakpoint
ALTER TABLE "item" ADD COLUMN "picture" uuid;--> statement-breakpoint
ALTER TABLE "crew" ADD CONSTRAINT "crew_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kept_file" ADD CONSTRAINT "kept_file_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "kept_file" ADD CONSTRAINT "kept_file_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "kept_file_same" ON "kept_file" USING btree ("company_id","sha256");--> statement-breakpoint
ALTER TABLE "bundle" ADD CONSTRAINT "bundle_company_id_picture_kept_file_company_id_id_fk" FOREIGN KEY ("company_id","picture") REFERENCES "public"."kept_file"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "item" ADD CONSTRAINT "item_company_id_picture_kept_file_company_id_id_fk" FOREIGN KEY ("company_id","picture") REFERENCES "public"."kept_file"("company_id","id") ON DELETE no action ON UPDATE no action;