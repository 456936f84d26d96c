ALTER TABLE "link" ADD COLUMN "purpose" text DEFAULT 'proposal' NOT NULL;--> statement-breakpoint
ALTER TABLE "link" ADD COLUMN "sealed" text;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "link_id" uuid;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_company_id_link_id_link_company_id_id_fk" FOREIGN KEY ("company_id","link_id") REFERENCES "public"."link"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "message_link" ON "message" USING btree ("company_id","link_id");