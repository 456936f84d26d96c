ALTER TABLE "account_letter" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "account_letter" ADD COLUMN "tries" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "tries" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "sealed" text;--> statement-breakpoint
ALTER TABLE "message" ADD COLUMN "settled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "message" ADD CONSTRAINT "message_sealed" CHECK ("message"."sealed" is null or "message"."state" in ('waiting', 'failed'));--> statement-breakpoint
UPDATE message SET settled_at = at;
--> statement-breakpoint
GRANT UPDATE (state, note, tries, sealed, settled_at) ON message TO impegno_app;
--> statement-breakpoint

-- Letters about somebody's way in are read back by the server only while they wait for their carrier.
CREATE FUNCTION waiting_account_letter(which uuid)
RETURNS TABLE (to_address text, subject text, sealed text)
LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT l.to_address, l.subject, l.sealed FROM account_letter l WHERE l.id = which AND l.state = 'waiting' FOR UPDATE
$$;
--> statement-breakpoint
CREATE FUNCTION note_account_letter(which uuid, how text, said text, asked integer)
RETURNS boolean
LANGUAGE sql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  UPDATE account_letter SET state = how, note = said, tries = asked,
    sealed = CASE WHEN how = 'waiting' THEN sealed ELSE '' END
  WHERE id = which AND (state = 'waiting' OR (state = 'delivered' AND how = 'returned'))
  RETURNING true
$$;
--> statement-breakpoint
-- Whose a letter is that came back: its carrier knows the letter alone.
CREATE FUNCTION company_of_letter(which uuid) RETURNS uuid
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT company_id FROM message WHERE id = which
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION waiting_account_letter(uuid), note_account_letter(uuid, text, text, integer), company_of_letter(uuid) FROM public;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION waiting_account_letter(uuid), note_account_letter(uuid, text, text, integer), company_of_letter(uuid) TO impegno_app;
