CREATE TABLE "webhook" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"user_id" uuid NOT NULL,
	"address" text NOT NULL,
	"events" jsonb NOT NULL,
	"sealed_secret" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "webhook_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
CREATE TABLE "webhook_message" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"webhook_id" uuid NOT NULL,
	"event" text NOT NULL,
	"subject" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"state" text NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"settled_at" timestamp with time zone,
	CONSTRAINT "webhook_message_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
ALTER TABLE "webhook" ADD CONSTRAINT "webhook_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "webhook_message" ADD CONSTRAINT "webhook_message_company_id_webhook_id_webhook_company_id_id_fk" FOREIGN KEY ("company_id","webhook_id") REFERENCES "public"."webhook"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "webhook_message_of" ON "webhook_message" USING btree ("company_id","webhook_id","at");--> statement-breakpoint
ALTER TABLE webhook ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON webhook TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
-- Where news goes is not changed behind the back of who set it: it is ended.
GRANT SELECT, INSERT, UPDATE (ended_at) ON webhook TO impegno_app;
--> statement-breakpoint
ALTER TABLE webhook_message ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON webhook_message TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
-- What was sent long ago is cleared away.
GRANT SELECT, INSERT, DELETE, UPDATE (state, tries, note, settled_at) ON webhook_message TO impegno_app;
