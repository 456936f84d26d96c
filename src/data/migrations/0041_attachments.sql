CREATE TABLE "message_attachment" (
	"company_id" uuid NOT NULL,
	"message_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"media_type" text NOT NULL,
	"bytes" "bytea",
	"file_id" uuid,
	CONSTRAINT "message_attachment_company_id_message_id_position_pk" PRIMARY KEY("company_id","message_id","position"),
	CONSTRAINT "message_attachment_one" CHECK (("message_attachment"."bytes" is null) <> ("message_attachment"."file_id" is null))
);
--> statement-breakpoint
ALTER TABLE "message_attachment" ADD CONSTRAINT "message_attachment_company_id_message_id_message_company_id_id_fk" FOREIGN KEY ("company_id","message_id") REFERENCES "public"."message"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "message_attachment" ADD CONSTRAINT "message_attachment_company_id_file_id_kept_file_company_id_id_fk" FOREIGN KEY ("company_id","file_id") REFERENCES "public"."kept_file"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE message_attachment ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON message_attachment TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
GRANT SELECT, INSERT ON message_attachment TO impegno_app;
