CREATE TABLE "invitation" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"role_id" uuid NOT NULL,
	"token_hash" text NOT NULL,
	"sealed" text NOT NULL,
	"invited_by" uuid NOT NULL,
	"invited_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"accepted_at" timestamp with time zone,
	"user_id" uuid,
	CONSTRAINT "invitation_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "invitation_token" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "password_link" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"person_id" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "person" (
	"id" uuid PRIMARY KEY NOT NULL,
	"email" text NOT NULL,
	"name" text NOT NULL,
	"password_hash" text,
	"totp" text,
	"totp_since" timestamp with time zone,
	"totp_step" bigint,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "recovery_code" (
	"person_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "recovery_code_person_id_hash_pk" PRIMARY KEY("person_id","hash")
);
--> statement-breakpoint
CREATE TABLE "role" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text,
	"permissions" jsonb NOT NULL,
	"discount" numeric,
	"position" integer NOT NULL,
	CONSTRAINT "role_company_id_id_pk" PRIMARY KEY("company_id","id")
);
--> statement-breakpoint
ALTER TABLE "company" ADD COLUMN "demo" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "origin" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "app_user" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "app_user" ADD COLUMN "role_id" uuid;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_company_id_role_id_role_company_id_id_fk" FOREIGN KEY ("company_id","role_id") REFERENCES "public"."role"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_company_id_invited_by_app_user_company_id_id_fk" FOREIGN KEY ("company_id","invited_by") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitation" ADD CONSTRAINT "invitation_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "password_link" ADD CONSTRAINT "password_link_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recovery_code" ADD CONSTRAINT "recovery_code_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "role" ADD CONSTRAINT "role_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "invitation_open" ON "invitation" USING btree ("company_id",lower("email")) WHERE "invitation"."accepted_at" is null and "invitation"."revoked_at" is null;--> statement-breakpoint
CREATE INDEX "password_link_person" ON "password_link" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "person_email" ON "person" USING btree (lower("email"));--> statement-breakpoint
CREATE UNIQUE INDEX "role_name" ON "role" USING btree ("company_id",lower("name"));--> statement-breakpoint
CREATE UNIQUE INDEX "role_owner" ON "role" USING btree ("company_id") WHERE "role"."kind" = 'owner';--> statement-breakpoint
-- Who works for a company becomes a person with a role that the company can change.
INSERT INTO person (id, email, name, password_hash, created_at)
  SELECT id, email, name, password_hash, created_at FROM app_user;
--> statement-breakpoint
INSERT INTO role (company_id, id, name, kind, permissions, position)
  SELECT c.id, gen_random_uuid(), r.name, r.kind, r.permissions::jsonb, r.position FROM company c CROSS JOIN (VALUES
    (0, 'owner', 'Owner', '["prices","cost","allProposals","propose","send","approve","jobs","issue","money","library","export","settings","people"]'),
    (1, 'manager', 'Manager', '["prices","cost","allProposals","propose","send","approve","jobs","issue","money","library","export"]'),
    (2, 'seller', 'Seller', '["prices","cost","allProposals","propose","send","jobs","issue","export"]'),
    (3, 'office', 'Office', '["prices","cost","allProposals","jobs","issue","money","export"]'),
    (4, 'field', 'Field', '["allProposals","jobs"]')) AS r (position, kind, name, permissions);
--> statement-breakpoint
UPDATE app_user u SET person_id = u.id,
  role_id = (SELECT r.id FROM role r WHERE r.company_id = u.company_id AND r.kind = u.role);
--> statement-breakpoint
ALTER TABLE "app_user" ALTER COLUMN "person_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "app_user" ALTER COLUMN "role_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "app_user" ADD CONSTRAINT "app_user_person_id_person_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."person"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "app_user" ADD CONSTRAINT "app_user_company_id_role_id_role_company_id_id_fk" FOREIGN KEY ("company_id","role_id") REFERENCES "public"."role"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "app_user_person" ON "app_user" USING btree ("company_id","person_id");--> statement-breakpoint
CREATE INDEX "app_user_of_person" ON "app_user" USING btree ("person_id");