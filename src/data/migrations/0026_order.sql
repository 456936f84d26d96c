CREATE INDEX "invoice_issued" ON "invoice" USING btree ("company_id","issued_at","id");--> statement-breakpoint
CREATE INDEX "payment_recorded" ON "payment" USING btree ("company_id","recorded_at");