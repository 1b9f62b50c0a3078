CREATE TABLE "cassette_uses" (
	"visit_id" text NOT NULL,
	"cassette_id" text NOT NULL,
	"load_id" text,
	"at" bigint NOT NULL,
	"used_at" bigint,
	CONSTRAINT "cassette_uses_visit_id_cassette_id_pk" PRIMARY KEY("visit_id","cassette_id")
);
--> statement-breakpoint
CREATE TABLE "loads" (
	"id" text PRIMARY KEY NOT NULL,
	"number" integer NOT NULL,
	"steriliser_id" text NOT NULL,
	"cycle" text NOT NULL,
	"cassette_ids" jsonb NOT NULL,
	"spore" boolean DEFAULT false NOT NULL,
	"started_at" bigint NOT NULL,
	"started_by" text NOT NULL,
	"ended_at" bigint,
	"log" jsonb,
	"log_fault" text,
	"indicator" text,
	"released_at" bigint,
	"released_by" text,
	"failed_at" bigint,
	"failed_by" text,
	"failed_why" text,
	"spore_result" text,
	"spore_read_at" bigint,
	"spore_read_by" text
);
--> statement-breakpoint
CREATE TABLE "lot_uses" (
	"visit_id" text NOT NULL,
	"lot_id" text NOT NULL,
	"amount" double precision NOT NULL,
	"at" bigint NOT NULL,
	CONSTRAINT "lot_uses_visit_id_lot_id_pk" PRIMARY KEY("visit_id","lot_id")
);
--> statement-breakpoint
CREATE TABLE "step_times" (
	"visit_id" text NOT NULL,
	"step_id" text NOT NULL,
	"key" text NOT NULL,
	"seconds" double precision NOT NULL,
	"planned_s" double precision NOT NULL,
	"at" bigint NOT NULL,
	CONSTRAINT "step_times_visit_id_step_id_pk" PRIMARY KEY("visit_id","step_id")
);
--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "day_rules" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "instruments" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "use_learned" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "learned" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "may_move_min" integer;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "forecast" jsonb;--> statement-breakpoint
ALTER TABLE "cassette_uses" ADD CONSTRAINT "cassette_uses_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cassette_uses" ADD CONSTRAINT "cassette_uses_load_id_loads_id_fk" FOREIGN KEY ("load_id") REFERENCES "public"."loads"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_uses" ADD CONSTRAINT "lot_uses_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "lot_uses" ADD CONSTRAINT "lot_uses_lot_id_lots_id_fk" FOREIGN KEY ("lot_id") REFERENCES "public"."lots"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "step_times" ADD CONSTRAINT "step_times_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "loads_number" ON "loads" USING btree ("number");--> statement-breakpoint
CREATE INDEX "step_times_key" ON "step_times" USING btree ("key","at");