ALTER TABLE "payment" ADD COLUMN "method_name" text;--> statement-breakpoint
ALTER TABLE "refund" ADD COLUMN "method_name" text;--> statement-breakpoint
ALTER TABLE "refund" ADD COLUMN "payment_id" uuid;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_company_id_payment_id_payment_company_id_id_fk" FOREIGN KEY ("company_id","payment_id") REFERENCES "public"."payment"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "refund_payment" ON "refund" USING btree ("company_id","payment_id");