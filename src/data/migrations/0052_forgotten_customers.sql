ALTER TABLE "customer" ADD COLUMN "forgotten_at" timestamp with time zone;--> statement-breakpoint
-- What is only ever added to stays so, but for two acts: the demo goes as a whole, and what is known of a person who wants it is removed.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF TG_OP = 'DELETE' AND current_setting('app.removing', true) = 'demo'
    AND EXISTS (SELECT 1 FROM company WHERE id = (to_jsonb(OLD)->>'company_id')::uuid AND demo) THEN
    RETURN OLD;
  END IF;
  -- The application has no right to change these tables; the function that forgets has.
  IF current_setting('app.forgetting', true) = 'customer' THEN
    IF TG_OP = 'UPDATE' AND TG_TABLE_NAME IN ('revision', 'decline', 'proposal_edit', 'audit') THEN RETURN NEW; END IF;
    IF TG_OP = 'DELETE' AND TG_TABLE_NAME = 'message_attachment' THEN RETURN OLD; END IF;
  END IF;
  RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
--> statement-breakpoint
-- Removes what is known of a customer as a person. What was signed, and every invoice, stays as it is.
-- documents, frozen: proposals nobody signed and their revisions, without words: [{id, document}], [{id, canonical, sha256}].
CREATE FUNCTION forget_customer(which uuid, called text, offers_called text, documents jsonb, frozen jsonb, ended timestamptz) RETURNS void
LANGUAGE plpgsql VOLATILE SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  ours uuid := nullif(current_setting('app.company', true), '')::uuid;
  offers uuid[];
  letters uuid[];
  known uuid[];
BEGIN
  IF NOT EXISTS (SELECT 1 FROM customer WHERE company_id = ours AND id = which AND forgotten_at IS NULL) THEN
    RAISE EXCEPTION 'no such customer' USING ERRCODE = 'restrict_violation';
  END IF;
  PERFORM set_config('app.forgetting', 'customer', true);
  offers := ARRAY(SELECT p.id FROM proposal p WHERE p.company_id = ours AND p.customer_id = which);
  letters := ARRAY(SELECT m.id FROM message m WHERE m.company_id = ours AND (m.customer_id = which OR m.proposal_id = ANY (offers)));
  known := offers || which
    || ARRAY(SELECT s.id FROM site s WHERE s.company_id = ours AND s.customer_id = which)
    || ARRAY(SELECT a.id FROM agreement a WHERE a.company_id = ours AND a.customer_id = which)
    || ARRAY(SELECT i.id FROM invoice i JOIN agreement a ON a.company_id = i.company_id AND a.id = i.agreement_id
        WHERE i.company_id = ours AND a.customer_id = which);
  UPDATE customer SET name = called, contact_name = '', email = '', phone = '', internal_note = '', alert = false,
    billing = jsonb_build_object('street', '', 'city', '', 'region', '', 'postcode', '', 'country', billing->>'country'),
    forgotten_at = ended WHERE company_id = ours AND id = which;
  DELETE FROM customer_person WHERE company_id = ours AND customer_id = which;
  UPDATE site SET internal_note = '',
    address = jsonb_build_object('street', '', 'city', '', 'region', '', 'postcode', '', 'country', address->>'country')
    WHERE company_id = ours AND customer_id = which;
  -- Proposals nobody signed: figures stay for the books of what was offered, words to the customer go.
  UPDATE proposal p SET title = offers_called, document = d.document, save_number = p.save_number + 1,
    state = CASE WHEN p.state IN ('draft', 'sent') THEN 'withdrawn' ELSE p.state END
    FROM jsonb_to_recordset(documents) AS d(id uuid, document jsonb)
    WHERE p.company_id = ours AND p.id = d.id AND p.id = ANY (offers)
      AND NOT EXISTS (SELECT 1 FROM agreement a WHERE a.company_id = ours AND a.proposal_id = p.id);
  UPDATE revision r SET canonical = f.canonical, sha256 = f.sha256
    FROM jsonb_to_recordset(frozen) AS f(id uuid, canonical text, sha256 text)
    WHERE r.company_id = ours AND r.id = f.id AND r.proposal_id = ANY (offers)
      AND NOT EXISTS (SELECT 1 FROM agreement a WHERE a.company_id = ours AND a.proposal_id = r.proposal_id);
  UPDATE proposal_edit SET patches = '[]', removed = NULL WHERE company_id = ours AND proposal_id = ANY (offers);
  UPDATE decline d SET reason = '' FROM revision r
    WHERE d.company_id = ours AND r.company_id = ours AND r.id = d.revision_id AND r.proposal_id = ANY (offers);
  UPDATE customer_question SET words = '–', answer = CASE WHEN answer IS NULL THEN NULL ELSE '–' END
    WHERE company_id = ours AND proposal_id = ANY (offers);
  UPDATE link SET revoked_at = coalesce(revoked_at, ended), sealed = NULL WHERE company_id = ours AND proposal_id = ANY (offers);
  DELETE FROM message_attachment WHERE company_id = ours AND message_id = ANY (letters);
  UPDATE message SET to_address = '', subject = '–', body = '', note = '', sealed = NULL,
    state = CASE WHEN state = 'waiting' THEN 'failed' ELSE state END, settled_at = coalesce(settled_at, ended)
    WHERE company_id = ours AND id = ANY (letters);
  -- Who did what when stays on record; what the record held of the person goes.
  UPDATE audit SET detail = detail - 'to' - 'before' - 'after' - 'name' - 'email' - 'title' - 'words' - 'remark'
    WHERE company_id = ours AND subject = ANY (known || letters);
  PERFORM set_config('app.forgetting', '', true);
END $$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION forget_customer(uuid, text, text, jsonb, jsonb, timestamptz) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION forget_customer(uuid, text, text, jsonb, jsonb, timestamptz) TO impegno_app;
