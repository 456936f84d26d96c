CREATE TABLE "api_token" (
	"company_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"user_id" uuid NOT NULL,
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"permissions" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"last_used_at" timestamp with time zone,
	CONSTRAINT "api_token_company_id_id_pk" PRIMARY KEY("company_id","id"),
	CONSTRAINT "api_token_hash" UNIQUE("token_hash")
);
--> statement-breakpoint
ALTER TABLE "api_token" ADD CONSTRAINT "api_token_company_id_user_id_app_user_company_id_id_fk" FOREIGN KEY ("company_id","user_id") REFERENCES "public"."app_user"("company_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE api_token ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_company ON api_token TO impegno_app
  USING (company_id = nullif(current_setting('app.company', true), '')::uuid)
  WITH CHECK (company_id = nullif(current_setting('app.company', true), '')::uuid);
--> statement-breakpoint
-- What was given is not given more, or longer: it is ended.
GRANT SELECT, INSERT, UPDATE (revoked_at, last_used_at) ON api_token TO impegno_app;
--> statement-breakpoint
CREATE FUNCTION find_api_token(hash text, moment timestamptz)
RETURNS TABLE (company_id uuid, id uuid, user_id uuid, person_id uuid, name text, role text, kind text, permissions jsonb,
  discount text, given jsonb, via text, used_lately boolean)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT t.company_id, t.id, u.id, u.person_id, u.name, r.name, r.kind, r.permissions, r.discount::text, t.permissions, t.name,
      coalesce(t.last_used_at > moment - interval '5 minutes', false)
    FROM api_token t
    JOIN app_user u ON u.company_id = t.company_id AND u.id = t.user_id
    JOIN role r ON r.company_id = u.company_id AND r.id = u.role_id
    WHERE t.token_hash = hash AND t.revoked_at IS NULL AND t.expires_at > moment AND u.disabled_at IS NULL
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION find_api_token(text, timestamptz) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION find_api_token(text, timestamptz) TO impegno_app;
