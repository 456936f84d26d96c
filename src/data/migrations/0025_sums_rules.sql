-- Sums the database keeps itself: read by the company alone, written by the triggers alone.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['invoice_open', 'agreement_money'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT ON %I TO impegno_app', name);
  END LOOP;
END $$;
--> statement-breakpoint

-- Adds to the sums of an agreement.
CREATE FUNCTION add_to_agreement(company uuid, agreement uuid, more_billed numeric, more_held numeric, more_credit numeric)
RETURNS void LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
  INSERT INTO agreement_money (company_id, agreement_id, billed, held, credit)
    VALUES (company, agreement, more_billed, more_held, more_credit)
    ON CONFLICT (company_id, agreement_id) DO UPDATE
      SET billed = agreement_money.billed + excluded.billed, held = agreement_money.held + excluded.held,
          credit = agreement_money.credit + excluded.credit
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION add_to_agreement FROM PUBLIC;
--> statement-breakpoint

-- A charge for late payment, and what takes it back, bills nothing of the agreement.
CREATE FUNCTION bills_agreement(paper invoice) RETURNS boolean LANGUAGE sql STABLE SET search_path = public AS $$
  SELECT paper.kind <> 'late charge' AND NOT EXISTS (
    SELECT 1 FROM invoice c WHERE c.company_id = paper.company_id AND c.id = paper.credits AND c.kind = 'late charge')
$$;
--> statement-breakpoint

CREATE FUNCTION sum_invoice() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF NEW.kind <> 'credit note' THEN
    INSERT INTO invoice_open (company_id, invoice_id, due_on, open) VALUES (NEW.company_id, NEW.id, NEW.due_on, NEW.total);
  END IF;
  PERFORM add_to_agreement(NEW.company_id, NEW.agreement_id,
    CASE WHEN bills_agreement(NEW) THEN NEW.total ELSE 0 END, 0,
    CASE WHEN NEW.kind = 'credit note' THEN -NEW.total ELSE 0 END);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER kept_in_sums AFTER INSERT ON invoice FOR EACH ROW EXECUTE FUNCTION sum_invoice();
--> statement-breakpoint

-- What is held back is billed all the same.
CREATE FUNCTION sum_held() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  amount numeric := CASE TG_TABLE_NAME WHEN 'invoice_part' THEN (to_jsonb(NEW)->>'net')::numeric
                                       ELSE (to_jsonb(NEW)->>'amount')::numeric END;
BEGIN
  IF NEW.kind = 'retainage' THEN
    PERFORM add_to_agreement(NEW.company_id, NEW.agreement_id, -amount, -amount, 0);
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER kept_in_sums AFTER INSERT ON invoice_part FOR EACH ROW EXECUTE FUNCTION sum_held();
--> statement-breakpoint
CREATE TRIGGER kept_in_sums AFTER INSERT ON invoice_part_tax FOR EACH ROW EXECUTE FUNCTION sum_held();
--> statement-breakpoint

CREATE FUNCTION sum_payment() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM add_to_agreement(NEW.company_id, NEW.agreement_id, 0, 0, NEW.amount);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER kept_in_sums AFTER INSERT ON payment FOR EACH ROW EXECUTE FUNCTION sum_payment();
--> statement-breakpoint

CREATE FUNCTION sum_reversal() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  PERFORM add_to_agreement(NEW.company_id, p.agreement_id, 0, 0, -NEW.amount)
    FROM payment p WHERE p.company_id = NEW.company_id AND p.id = NEW.payment_id;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER kept_in_sums AFTER INSERT ON payment_reversal FOR EACH ROW EXECUTE FUNCTION sum_reversal();
--> statement-breakpoint

CREATE FUNCTION sum_allocation() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  UPDATE invoice_open SET open = open - NEW.amount
    WHERE company_id = NEW.company_id AND invoice_id = NEW.invoice_id;
  PERFORM add_to_agreement(NEW.company_id, source.agreement_id, 0, 0, -NEW.amount)
    FROM (SELECT agreement_id FROM payment WHERE company_id = NEW.company_id AND id = NEW.payment_id
          UNION ALL SELECT agreement_id FROM invoice WHERE company_id = NEW.company_id AND id = NEW.credit_note_id) source;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER kept_in_sums AFTER INSERT ON allocation FOR EACH ROW EXECUTE FUNCTION sum_allocation();
--> statement-breakpoint

-- The sums anew, from everything there is: for what was there before, and to check them by.
CREATE FUNCTION summed_open() RETURNS TABLE (company_id uuid, invoice_id uuid, due_on date, open numeric)
LANGUAGE sql STABLE SET search_path = public AS $$
  SELECT i.company_id, i.id, i.due_on, i.total - coalesce(sum(a.amount), 0)
  FROM invoice i LEFT JOIN allocation a ON a.company_id = i.company_id AND a.invoice_id = i.id
  WHERE i.kind <> 'credit note' GROUP BY i.company_id, i.id, i.due_on, i.total
$$;
--> statement-breakpoint
CREATE FUNCTION summed_money() RETURNS TABLE (company_id uuid, agreement_id uuid, billed numeric, held numeric, credit numeric)
LANGUAGE sql STABLE SET search_path = public AS $$
  SELECT company_id, agreement_id, sum(billed), sum(held), sum(credit) FROM (
    SELECT i.company_id, i.agreement_id, CASE WHEN bills_agreement(i) THEN i.total ELSE 0 END AS billed, 0 AS held,
           CASE WHEN i.kind = 'credit note' THEN -i.total ELSE 0 END AS credit FROM invoice i
    UNION ALL SELECT company_id, agreement_id, -net, -net, 0 FROM invoice_part WHERE kind = 'retainage'
    UNION ALL SELECT company_id, agreement_id, -amount, -amount, 0 FROM invoice_part_tax WHERE kind = 'retainage'
    UNION ALL SELECT company_id, agreement_id, 0, 0, amount FROM payment
    UNION ALL SELECT r.company_id, p.agreement_id, 0, 0, -r.amount FROM payment_reversal r
      JOIN payment p ON p.company_id = r.company_id AND p.id = r.payment_id
    UNION ALL SELECT a.company_id, coalesce(p.agreement_id, c.agreement_id), 0, 0, -a.amount FROM allocation a
      LEFT JOIN payment p ON p.company_id = a.company_id AND p.id = a.payment_id
      LEFT JOIN invoice c ON c.company_id = a.company_id AND c.id = a.credit_note_id) sources
  GROUP BY company_id, agreement_id
$$;
--> statement-breakpoint
INSERT INTO invoice_open (company_id, invoice_id, due_on, open) SELECT * FROM summed_open();
--> statement-breakpoint
INSERT INTO agreement_money (company_id, agreement_id, billed, held, credit) SELECT * FROM summed_money();
