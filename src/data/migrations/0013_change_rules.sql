-- Change orders, rounds, signatures and questions: for the company alone; what was signed never changes.
DO $$
DECLARE
  name text;
BEGIN
  FOREACH name IN ARRAY ARRAY[
    'change_order', 'change_order_tax', 'agreement_payment_change', 'agreement_allowance', 'selection_round', 'selection',
    'signing', 'customer_question'
  ] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format(
      'CREATE POLICY own_company ON %I TO impegno_app
         USING (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)
         WITH CHECK (company_id = nullif(current_setting(''app.company'', true), '''')::uuid)', name);
    EXECUTE format('GRANT SELECT, INSERT ON %I TO impegno_app', name);
  END LOOP;
  FOREACH name IN ARRAY ARRAY[
    'change_order', 'change_order_tax', 'agreement_payment_change', 'agreement_allowance', 'selection', 'signing'
  ] LOOP
    EXECUTE format('CREATE TRIGGER append_only BEFORE UPDATE OR DELETE ON %I FOR EACH ROW EXECUTE FUNCTION refuse_change()', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT UPDATE (document, save_number, state, offered_at, choices, updated_at) ON selection_round TO impegno_app;
--> statement-breakpoint
GRANT UPDATE (answer, answered_by, answered_at) ON customer_question TO impegno_app;
--> statement-breakpoint
ALTER TABLE proposal ADD CONSTRAINT proposal_agreement FOREIGN KEY (company_id, agreement_id)
  REFERENCES agreement (company_id, id);
--> statement-breakpoint
ALTER TABLE agreement_line ADD CONSTRAINT agreement_line_change_order FOREIGN KEY (company_id, change_order_id)
  REFERENCES change_order (company_id, id);
--> statement-breakpoint
ALTER TABLE agreement_payment ADD CONSTRAINT agreement_payment_change_order FOREIGN KEY (company_id, change_order_id)
  REFERENCES change_order (company_id, id);
--> statement-breakpoint

-- A question is answered once.
CREATE FUNCTION answer_question_once() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.answer IS NOT NULL THEN
    RAISE EXCEPTION 'a question is answered once' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER question_answered_once BEFORE UPDATE ON customer_question
  FOR EACH ROW EXECUTE FUNCTION answer_question_once();
--> statement-breakpoint

-- A signed round stays as it was signed.
CREATE FUNCTION keep_signed_round() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM selection WHERE company_id = OLD.company_id AND round_id = OLD.id) THEN
    RAISE EXCEPTION 'round % is signed', OLD.id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER signed_round_stays BEFORE UPDATE ON selection_round
  FOR EACH ROW EXECUTE FUNCTION keep_signed_round();
--> statement-breakpoint

-- An agreement's own lines, taxes and payments sum to it; those of change orders are theirs.
CREATE OR REPLACE FUNCTION check_agreement_sums() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  lines numeric;
  taxes numeric;
  line_taxes numeric;
  payments numeric;
BEGIN
  SELECT coalesce(sum(net), 0) INTO lines FROM agreement_line
    WHERE company_id = NEW.company_id AND agreement_id = NEW.id AND change_order_id IS NULL;
  SELECT coalesce(sum(amount), 0) INTO taxes FROM agreement_tax WHERE company_id = NEW.company_id AND agreement_id = NEW.id;
  SELECT coalesce(sum(t.amount), 0) INTO line_taxes FROM agreement_line_tax t
    JOIN agreement_line l USING (company_id, agreement_id, line_id)
    WHERE t.company_id = NEW.company_id AND t.agreement_id = NEW.id AND l.change_order_id IS NULL;
  SELECT coalesce(sum(amount), 0) INTO payments FROM agreement_payment
    WHERE company_id = NEW.company_id AND agreement_id = NEW.id AND change_order_id IS NULL;
  IF lines <> NEW.net OR taxes <> NEW.tax OR line_taxes <> NEW.tax OR payments <> NEW.total THEN
    RAISE EXCEPTION 'agreement % does not add up', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint

-- A change order's lines, taxes and what it adds to payments sum to it.
CREATE FUNCTION check_change_order_sums() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  lines numeric;
  taxes numeric;
  line_taxes numeric;
  payments numeric;
  own numeric;
BEGIN
  SELECT coalesce(sum(net), 0) INTO lines FROM agreement_line
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND change_order_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO taxes FROM change_order_tax
    WHERE company_id = NEW.company_id AND change_order_id = NEW.id;
  SELECT coalesce(sum(t.amount), 0) INTO line_taxes FROM agreement_line_tax t
    JOIN agreement_line l USING (company_id, agreement_id, line_id)
    WHERE t.company_id = NEW.company_id AND t.agreement_id = NEW.agreement_id AND l.change_order_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO payments FROM agreement_payment_change
    WHERE company_id = NEW.company_id AND change_order_id = NEW.id;
  SELECT coalesce(sum(amount), 0) INTO own FROM agreement_payment
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND change_order_id = NEW.id;
  IF lines <> NEW.net OR taxes <> NEW.tax OR line_taxes <> NEW.tax OR payments + own <> NEW.total THEN
    RAISE EXCEPTION 'change order % does not add up', NEW.id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER change_order_adds_up AFTER INSERT ON change_order
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_change_order_sums();
--> statement-breakpoint

-- What is billed does not change any more.
CREATE FUNCTION check_payment_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM invoice
             WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND entry_id = NEW.entry_id) THEN
    RAISE EXCEPTION 'payment % of agreement % is billed', NEW.entry_id, NEW.agreement_id USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER only_unbilled_changes AFTER INSERT ON agreement_payment_change
  DEFERRABLE INITIALLY IMMEDIATE FOR EACH ROW EXECUTE FUNCTION check_payment_change();
--> statement-breakpoint

-- No line is left out by more than was agreed.
CREATE FUNCTION check_omissions() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  agreed numeric;
  omitted numeric;
BEGIN
  IF NEW.omits IS NULL THEN
    RETURN NULL;
  END IF;
  SELECT quantity INTO agreed FROM agreement_line
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND line_id = NEW.omits;
  SELECT sum(omitted_quantity) INTO omitted FROM agreement_line
    WHERE company_id = NEW.company_id AND agreement_id = NEW.agreement_id AND omits = NEW.omits;
  IF agreed IS NULL OR omitted > agreed THEN
    RAISE EXCEPTION 'line % of agreement % would be left out by % of %', NEW.omits, NEW.agreement_id, omitted, agreed
      USING ERRCODE = 'check_violation';
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE CONSTRAINT TRIGGER not_omitted_twice AFTER INSERT ON agreement_line
  DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION check_omissions();
--> statement-breakpoint

-- An allowance is settled once.
CREATE UNIQUE INDEX agreement_line_settles ON agreement_line (company_id, agreement_id, settles) WHERE settles IS NOT NULL;
