CREATE TABLE "backups" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "backups_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"at" bigint NOT NULL,
	"file" text NOT NULL,
	"bytes" bigint,
	"rows_n" integer,
	"fault" text
);
--> statement-breakpoint
CREATE TABLE "steriliser_returns" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "steriliser_returns_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"steriliser_id" text NOT NULL,
	"at" bigint NOT NULL,
	"by" text NOT NULL,
	"why" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "audit" ADD COLUMN "seal" text;--> statement-breakpoint
ALTER TABLE "cases" ADD COLUMN "library" text;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "left_at" bigint;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "answered_by" text;--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "nightly" jsonb DEFAULT '{"on":true,"keep":14}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "run_events" ADD COLUMN "received_at" bigint;--> statement-breakpoint
ALTER TABLE "run_events" ADD COLUMN "via" text;--> statement-breakpoint
ALTER TABLE "run_events" ADD COLUMN "library" text;--> statement-breakpoint
ALTER TABLE "run_events" ADD COLUMN "seal" text;--> statement-breakpoint
CREATE INDEX "steriliser_returns_of" ON "steriliser_returns" USING btree ("steriliser_id","at");--> statement-breakpoint
CREATE INDEX "cases_patient" ON "cases" USING btree ("patient_id");--> statement-breakpoint
CREATE INDEX "records_closed" ON "records" USING btree ("closed_at");--> statement-breakpoint
CREATE INDEX "visits_case" ON "visits" USING btree ("case_id");