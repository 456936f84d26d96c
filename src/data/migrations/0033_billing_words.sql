-- What is on an invoice apart from its lines (retainage, the deposit) is an adjustment of it.
ALTER TABLE invoice_part RENAME TO invoice_adjustment;
--> statement-breakpoint
ALTER TABLE invoice_part_tax RENAME TO invoice_adjustment_tax;
--> statement-breakpoint
ALTER FUNCTION check_invoice_parts() RENAME TO check_invoice_adjustments;
--> statement-breakpoint
DO $$
DECLARE
  each record;
BEGIN
  FOR each IN
    SELECT conrelid::regclass AS of, conname AS named FROM pg_constraint
    WHERE conname LIKE 'invoice\_part%' AND connamespace = 'public'::regnamespace
  LOOP
    EXECUTE format('ALTER TABLE %s RENAME CONSTRAINT %I TO %I', each.of, each.named,
      left(replace(each.named, 'invoice_part', 'invoice_adjustment'), 63));
  END LOOP;
  FOR each IN
    SELECT indexname AS named FROM pg_indexes WHERE schemaname = 'public' AND indexname LIKE 'invoice\_part%'
  LOOP
    EXECUTE format('ALTER INDEX %I RENAME TO %I', each.named,
      left(replace(each.named, 'invoice_part', 'invoice_adjustment'), 63));
  END LOOP;
  -- Bodies of functions name tables by text.
  FOR each IN
    SELECT pg_get_functiondef(oid) AS defined FROM pg_proc
    WHERE pronamespace = 'public'::regnamespace AND prokind = 'f' AND prosrc ~ '\minvoice_part(_tax)?\M'
  LOOP
    EXECUTE regexp_replace(each.defined, '\minvoice_part(_tax)?\M', 'invoice_adjustment\1', 'g');
  END LOOP;
END $$;
--> statement-breakpoint
-- A payment that is gone was returned by the bank, or was recorded by mistake.
ALTER TABLE payment_reversal ADD COLUMN kind text DEFAULT 'returned' NOT NULL;
--> statement-breakpoint
ALTER TABLE payment_reversal ADD CONSTRAINT payment_reversal_kind CHECK (kind in ('returned', 'void'));
