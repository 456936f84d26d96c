-- Credit notes, retainage, money ahead, stages and where money goes: for the company alone; what was issued or paid never changes.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY[
    'agreement_stage', 'line_stage', 'invoice_part', 'invoice_part_tax', 'invoice_draft', 'payment_reversal', 'refund',
    'allocation'
  ] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY['invoice_part', 'invoice_part_tax', 'payment_reversal', 'refund', 'allocation'] LOOP
    EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I FOR EACH ROW EXECUTE FUNCTION refuse_change()', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT UPDATE ON agreement_stage, line_stage, invoice_draft TO impegno_app;
--> statement-breakpoint
GRANT DELETE ON invoice_draft, line_stage TO impegno_app;
--> statement-breakpoint

-- What was put on invoices so far.
INSERT INTO allocation (company_id, id, payment_id, invoice_id, amount, at)
  SELECT part.company_id, gen_random_uuid(), part.payment_id, part.invoice_id, part.amount, payment.recorded_at
  FROM payment_part part JOIN payment ON payment.company_id = part.company_id AND payment.id = part.payment_id;
--> statement-breakpoint

-- An invoice's draws, and what is held, released, billed ahead or counted off, sum to it.
CREATE OR REPLACE FUNCTION check_invoice_sums() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  nets numeric;
  taxes numeric;
BEGIN
  SELECT coalesce((SELECT sum(net) FROM draw WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0)
    + coalesce((SELECT sum(net) FROM invoice_part WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0) INTO nets;
  SELECT coalesce((SELECT sum(amount) FROM draw_tax WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0)
    + coalesce((SELECT sum(amount) FROM invoice_part_tax WHERE company_id = NEW.company_id AND invoice_id = NEW.id), 0) INTO taxes;
  IF nets <> NEW.net OR taxes <> NEW.tax THEN
    RAISE EXCEPTION 'invoice % does not add up', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint

-- What of a payment of the schedule is billed: its invoices less their credit notes. What is held back of it is billed all
-- the same.
CREATE FUNCTION entry_billed(company uuid, agreement uuid, entry text) RETURNS numeric LANGUAGE sql STABLE AS $$
  SELECT coalesce(sum(i.total
      - coalesce((SELECT sum(p.net) FROM invoice_part p WHERE p.company_id = i.company_id AND p.invoice_id = i.id AND p.kind = 'retainage'), 0)
      - coalesce((SELECT sum(t.amount) FROM invoice_part_tax t WHERE t.company_id = i.company_id AND t.invoice_id = i.id AND t.kind = 'retainage'), 0)), 0)
    FROM invoice i WHERE i.company_id = company AND i.agreement_id = agreement AND i.entry_id = entry
$$;
--> statement-breakpoint

-- A payment of the schedule is not billed past what it comes to, whatever was taken back of it and billed again.
CREATE FUNCTION check_entry_billed() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  agreed numeric;
  billed numeric;
BEGIN
  IF NEW.entry_id IS NULL THEN
    RETURN NULL;
  END IF;
  SELECT amount + coalesce((SELECT sum(c.amount) FROM agreement_payment_change c
      WHERE c.company_id = NEW.company_id AND c.agreement_id = NEW.agreement_id AND c.entry_id = NEW.entry_id), 0)
    INTO agreed FROM agreement_payment
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND entry_id = NEW.entry_id;
  billed := entry_billed(NEW.company_id, NEW.agreement_id, NEW.entry_id);
  IF billed * sign(agreed) < 0 OR abs(billed) > abs(agreed) THEN
    RAISE EXCEPTION 'payment % of agreement % would be billed to % of %', NEW.entry_id, NEW.agreement_id, billed, agreed
      USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER entry_not_overbilled AFTER INSERT ON invoice
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_entry_billed();
--> statement-breakpoint

-- What is billed does not change any more; taken back in full, it does again.
CREATE OR REPLACE FUNCTION check_payment_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF entry_billed(NEW.company_id, NEW.agreement_id, NEW.entry_id) <> 0 THEN
    RAISE EXCEPTION 'payment % of agreement % is billed', NEW.entry_id, NEW.agreement_id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint

-- No more is released than is held, no more counted off than was billed ahead.
CREATE FUNCTION check_invoice_parts() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  sum_of numeric;
BEGIN
  SELECT coalesce((SELECT sum(net) FROM invoice_part
      WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND kind = NEW.kind), 0)
    + coalesce((SELECT sum(amount) FROM invoice_part_tax
      WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND kind = NEW.kind), 0) INTO sum_of;
  IF (NEW.kind = 'retainage' AND sum_of > 0) OR (NEW.kind = 'advance' AND sum_of < 0) THEN
    RAISE EXCEPTION '% of agreement % would come to %', NEW.kind, NEW.agreement_id, sum_of USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER parts_within AFTER INSERT ON invoice_part
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_invoice_parts();
--> statement-breakpoint

-- What credit notes take back of an invoice's lines is no more than it billed of them.
CREATE FUNCTION check_taken_back() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  invoiced uuid;
  wrong text;
BEGIN
  SELECT credits INTO invoiced FROM invoice WHERE company_id = NEW.company_id AND id = NEW.invoice_id;
  IF invoiced IS NULL THEN
    RETURN NULL;
  END IF;
  SELECT NEW.line_id INTO wrong FROM (
    SELECT sum(d.net) AS left_of, max(d.net) FILTER (WHERE d.invoice_id = invoiced) AS most,
           min(d.net) FILTER (WHERE d.invoice_id = invoiced) AS least
    FROM draw d JOIN invoice i ON i.company_id = d.company_id AND i.id = d.invoice_id
    WHERE d.company_id = NEW.company_id AND d.agreement_id = NEW.agreement_id AND d.line_id = NEW.line_id
      AND (i.id = invoiced OR i.credits = invoiced)) sums
    WHERE most IS NULL OR left_of * sign(most) < 0;
  IF wrong IS NOT NULL THEN
    RAISE EXCEPTION 'more of line % would be taken back than was billed', wrong USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER not_taken_back_twice AFTER INSERT ON draw
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_taken_back();
--> statement-breakpoint

-- No invoice is paid more than its total, no payment or credit note is used for more than it is, no refund for less.
CREATE FUNCTION check_allocation() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  most numeric;
  used numeric;
BEGIN
  IF NEW.payment_id IS NOT NULL THEN
    SELECT amount - coalesce((SELECT sum(r.amount) FROM payment_reversal r
        WHERE r.company_id = NEW.company_id AND r.payment_id = NEW.payment_id), 0)
      INTO most FROM payment WHERE company_id = NEW.company_id AND id = NEW.payment_id;
    SELECT sum(amount) INTO used FROM allocation WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
  ELSE
    SELECT -total INTO most FROM invoice
      WHERE company_id = NEW.company_id AND id = NEW.credit_note_id AND kind = 'credit note';
    SELECT sum(amount) INTO used FROM allocation WHERE company_id = NEW.company_id AND credit_note_id = NEW.credit_note_id;
  END IF;
  IF most IS NULL OR used < 0 OR used > most THEN
    RAISE EXCEPTION 'what came in would be used for % of %', used, most USING ERRCODE = 'check_violation';
  END IF;
  IF NEW.invoice_id IS NOT NULL THEN
    SELECT total INTO most FROM invoice
      WHERE company_id = NEW.company_id AND id = NEW.invoice_id AND kind <> 'credit note';
    SELECT sum(amount) INTO used FROM allocation WHERE company_id = NEW.company_id AND invoice_id = NEW.invoice_id;
    IF most IS NULL OR used < 0 OR used > most THEN
      RAISE EXCEPTION 'invoice % would be paid % of %', NEW.invoice_id, used, most USING ERRCODE = 'check_violation';
    END IF;
  ELSE
    SELECT amount INTO most FROM refund WHERE company_id = NEW.company_id AND id = NEW.refund_id;
    SELECT sum(amount) INTO used FROM allocation WHERE company_id = NEW.company_id AND refund_id = NEW.refund_id;
    IF used < 0 OR used > most THEN
      RAISE EXCEPTION 'refund % would come to %', NEW.refund_id, used USING ERRCODE = 'check_violation';
    END IF;
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER within_its_bounds AFTER INSERT ON allocation
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_allocation();
--> statement-breakpoint

-- A refund is covered by what it is taken from.
CREATE FUNCTION check_refund() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.amount <> (SELECT coalesce(sum(amount), 0) FROM allocation
                    WHERE company_id = NEW.company_id AND refund_id = NEW.id) THEN
    RAISE EXCEPTION 'refund % is not covered', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER refund_covered AFTER INSERT ON refund
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_refund();
--> statement-breakpoint

-- Of a payment goes back no more than came in, and what went back is on no invoice.
CREATE FUNCTION check_reversal() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  received numeric;
  gone numeric;
  used numeric;
BEGIN
  SELECT amount INTO received FROM payment WHERE company_id = NEW.company_id AND id = NEW.payment_id;
  SELECT sum(amount) INTO gone FROM payment_reversal WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
  SELECT coalesce(sum(amount), 0) INTO used FROM allocation WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
  IF gone < 0 OR gone > received OR used > received - gone THEN
    RAISE EXCEPTION 'payment % went back by % of %', NEW.payment_id, gone, received USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER reversal_within AFTER INSERT ON payment_reversal
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_reversal();
--> statement-breakpoint
DROP FUNCTION check_payment_parts CASCADE;
