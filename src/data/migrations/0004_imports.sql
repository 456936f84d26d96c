CREATE TABLE "area_factor" (
	"company_id" uuid NOT NULL,
	"prefix" text NOT NULL,
	"name" text NOT NULL,
	"material" numeric NOT NULL,
	"labour" numeric NOT NULL,
	"equipment" numeric NOT NULL,
	CONSTRAINT "area_factor_company_id_prefix_pk" PRIMARY KEY("company_id","prefix"),
	CONSTRAINT "area_factor_positive" CHECK ("area_factor"."material" > 0 and "area_factor"."labour" > 0 and "area_factor"."equipment" > 0)
);
--> statement-breakpoint
CREATE TABLE "import_matching" (
	"company_id" uuid NOT NULL,
	"source" text NOT NULL,
	"matching" jsonb NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "import_matching_company_id_source_pk" PRIMARY KEY("company_id","source")
);
--> statement-breakpoint
CREATE TABLE "library_import" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"user_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"file_name" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"source" text NOT NULL,
	CONSTRAINT "library_import_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
ALTER TABLE "area_factor" ADD CONSTRAINT "area_factor_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "import_matching" ADD CONSTRAINT "import_matching_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "library_import" ADD CONSTRAINT "library_import_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;