ALTER TABLE "invoice_open" ADD COLUMN "agreement_id" uuid;--> statement-breakpoint
UPDATE invoice_open o SET agreement_id = i.agreement_id FROM invoice i WHERE i.company_id = o.company_id AND i.id = o.invoice_id;--> statement-breakpoint
ALTER TABLE "invoice_open" ALTER COLUMN "agreement_id" SET NOT NULL;--> statement-breakpoint
CREATE INDEX "invoice_open_agreement" ON "invoice_open" USING btree ("company_id","agreement_id") WHERE "invoice_open"."open" <> 0;--> statement-breakpoint
CREATE OR REPLACE FUNCTION sum_invoice() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF NEW.kind <> 'credit note' THEN
    INSERT INTO invoice_open (company_id, invoice_id, agreement_id, due_on, open)
      VALUES (NEW.company_id, NEW.id, NEW.agreement_id, NEW.due_on, NEW.total);
  END IF;
  PERFORM add_to_agreement(NEW.company_id, NEW.agreement_id,
    CASE WHEN bills_agreement(NEW) THEN NEW.total ELSE 0 END, 0,
    CASE WHEN NEW.kind = 'credit note' THEN -NEW.total ELSE 0 END);
  RETURN NULL;
END $$;
