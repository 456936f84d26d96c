ALTER TABLE "app_user" ADD COLUMN "hints_away" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
-- Who is here already knows their way.
UPDATE app_user SET hints_away = '["all"]';
