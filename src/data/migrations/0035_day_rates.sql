ALTER TABLE "labour_rate" ADD COLUMN "day" numeric;--> statement-breakpoint
ALTER TABLE "labour_rate" ADD CONSTRAINT "labour_rate_day" CHECK ("labour_rate"."day" >= 0);