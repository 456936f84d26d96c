-- A payment of which part was paid back may go back as a whole: what was paid back is then the customer's debt, where no
-- other money of theirs covers it. Of such a payment nothing stays on an invoice.
CREATE OR REPLACE FUNCTION check_allocation() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  most numeric;
  used numeric;
  billed numeric;
  whole numeric;
BEGIN
  IF NEW.payment_id IS NOT NULL THEN
    SELECT amount, amount - coalesce((SELECT sum(r.amount) FROM payment_reversal r
        WHERE r.company_id = NEW.company_id AND r.payment_id = NEW.payment_id), 0)
      INTO whole, most FROM payment WHERE company_id = NEW.company_id AND id = NEW.payment_id;
    SELECT sum(amount), coalesce(sum(amount) FILTER (WHERE invoice_id IS NOT NULL), 0)
      INTO used, billed FROM allocation WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
    IF billed = 0 AND used <= whole THEN
      most := whole;
    END IF;
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
    IF used <> most THEN
      RAISE EXCEPTION 'refund % would come to %', NEW.refund_id, used USING ERRCODE = 'check_violation';
    END IF;
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE OR REPLACE FUNCTION check_reversal() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  received numeric;
  gone numeric;
  used numeric;
BEGIN
  SELECT amount INTO received FROM payment WHERE company_id = NEW.company_id AND id = NEW.payment_id;
  SELECT sum(amount) INTO gone FROM payment_reversal WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
  SELECT coalesce(sum(amount) FILTER (WHERE invoice_id IS NOT NULL), 0) INTO used
    FROM allocation WHERE company_id = NEW.company_id AND payment_id = NEW.payment_id;
  IF gone < 0 OR gone > received OR used > received - gone THEN
    RAISE EXCEPTION 'payment % went back by % of %', NEW.payment_id, gone, received USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
