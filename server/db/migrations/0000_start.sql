CREATE TABLE "burs" (
	"id" text PRIMARY KEY NOT NULL,
	"place" integer NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "cases" (
	"id" text PRIMARY KEY NOT NULL,
	"patient_id" text NOT NULL,
	"request" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "items" (
	"id" text PRIMARY KEY NOT NULL,
	"place" integer NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "lots" (
	"id" text PRIMARY KEY NOT NULL,
	"item_id" text NOT NULL,
	"number" text NOT NULL,
	"expires" date NOT NULL,
	"left" double precision NOT NULL,
	"opened" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "patients" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"alerts" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"roles" jsonb NOT NULL,
	"code_hash" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plans" (
	"visit_id" text PRIMARY KEY NOT NULL,
	"plan" jsonb NOT NULL,
	"signed_by" text NOT NULL,
	"signed_at" bigint NOT NULL,
	"acknowledged" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "practices" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"notation" text NOT NULL,
	"zone" text NOT NULL,
	"chairs" jsonb NOT NULL,
	"functions" jsonb NOT NULL,
	"cards" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "records" (
	"visit_id" text PRIMARY KEY NOT NULL,
	"note" jsonb NOT NULL,
	"closed_at" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "run_events" (
	"visit_id" text NOT NULL,
	"seq" integer NOT NULL,
	"id" text NOT NULL,
	"at" bigint NOT NULL,
	"by" text NOT NULL,
	"device" text NOT NULL,
	"command_id" text NOT NULL,
	"what" jsonb NOT NULL,
	CONSTRAINT "run_events_visit_id_seq_pk" PRIMARY KEY("visit_id","seq")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"id" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"started_at" bigint NOT NULL,
	"ends_at" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tray_marks" (
	"visit_id" text NOT NULL,
	"line_id" text NOT NULL,
	"by" text NOT NULL,
	"at" bigint NOT NULL,
	CONSTRAINT "tray_marks_visit_id_line_id_pk" PRIMARY KEY("visit_id","line_id")
);
--> statement-breakpoint
CREATE TABLE "visits" (
	"id" text PRIMARY KEY NOT NULL,
	"case_id" text NOT NULL,
	"chair_id" text NOT NULL,
	"day" date NOT NULL,
	"starts_at" bigint NOT NULL,
	"team" jsonb NOT NULL,
	"visit_choices" jsonb NOT NULL,
	"swaps" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "cases" ADD CONSTRAINT "cases_patient_id_patients_id_fk" FOREIGN KEY ("patient_id") REFERENCES "public"."patients"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lots" ADD CONSTRAINT "lots_item_id_items_id_fk" FOREIGN KEY ("item_id") REFERENCES "public"."items"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "records" ADD CONSTRAINT "records_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "run_events" ADD CONSTRAINT "run_events_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tray_marks" ADD CONSTRAINT "tray_marks_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_case_id_cases_id_fk" FOREIGN KEY ("case_id") REFERENCES "public"."cases"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "run_events_id" ON "run_events" USING btree ("visit_id","id");--> statement-breakpoint
CREATE INDEX "run_events_command" ON "run_events" USING btree ("visit_id","command_id");--> statement-breakpoint
CREATE INDEX "visits_day" ON "visits" USING btree ("day");