CREATE INDEX "audit_at" ON "audit" USING btree ("company_id","at");--> statement-breakpoint
CREATE INDEX "audit_act" ON "audit" USING btree ("company_id","act");