CREATE TABLE "library_word" (
	"company_id" uuid NOT NULL,
	"word" text NOT NULL,
	CONSTRAINT "library_word_company_id_word_pk" PRIMARY KEY("company_id","word")
);
--> statement-breakpoint
ALTER TABLE "library_word" ADD CONSTRAINT "library_word_company_id_company_id_fk" FOREIGN KEY ("company_id") REFERENCES "public"."company"("id") ON DELETE no action ON UPDATE no action;