CREATE TABLE "audit" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "audit_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"at" bigint NOT NULL,
	"by" text,
	"what" text NOT NULL,
	"target" text NOT NULL,
	"asked" jsonb
);
--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "wrong_codes" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "locked_at" bigint;--> statement-breakpoint
ALTER TABLE "sessions" ADD COLUMN "seen_at" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE FUNCTION audit_stands() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'the audit trail is only added to'; END $$;
--> statement-breakpoint
CREATE TRIGGER audit_stands BEFORE UPDATE OR DELETE OR TRUNCATE ON "audit" FOR EACH STATEMENT EXECUTE FUNCTION audit_stands();
--> statement-breakpoint
CREATE TRIGGER run_events_stand BEFORE UPDATE OR DELETE OR TRUNCATE ON "run_events" FOR EACH STATEMENT EXECUTE FUNCTION audit_stands();
