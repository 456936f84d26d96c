CREATE TABLE "card_account" (
	"company_id" uuid NOT NULL,
	"secret" text DEFAULT replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '') NOT NULL,
	CONSTRAINT "card_account_company_id_pk" PRIMARY KEY("company_id")
);
--> statement-breakpoint
CREATE TABLE "card_event" (
	"company_id" uuid NOT NULL,
	"id" text NOT NULL,
	"charge_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"reason" text,
	"at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone NOT NULL,
	CONSTRAINT "card_event_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "card_event_kind" CHECK ("card_event"."kind" in ('accepted', 'refused', 'needs confirmation', 'delayed', 'disputed', 'dispute won', 'dispute lost'))
);
--> statement-breakpoint
ALTER TABLE "card_event" ADD CONSTRAINT "card_event_company_id_charge_id_card_charge_company_id_id_fk" FOREIGN KEY ("company_id","charge_id") REFERENCES "public"."card_charge"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "card_event_charge" ON "card_event" USING btree ("company_id","charge_id");--> statement-breakpoint
CREATE INDEX "card_charge_invoice" ON "card_charge" USING btree ("company_id","invoice_id");--> statement-breakpoint
-- What was answered so far, as what the service said.
INSERT INTO card_event (company_id, id, charge_id, kind, reason, at, received_at)
  SELECT company_id, id || ':answer', id, answer, reason, at, at FROM card_charge;--> statement-breakpoint
ALTER TABLE "card_charge" DROP COLUMN "answer";--> statement-breakpoint
ALTER TABLE "card_charge" DROP COLUMN "reason";