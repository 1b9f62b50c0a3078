CREATE TABLE "drill_memories" (
	"person_id" text NOT NULL,
	"key" text NOT NULL,
	"kind" text NOT NULL,
	"memory" jsonb NOT NULL,
	"due_at" bigint NOT NULL,
	CONSTRAINT "drill_memories_person_id_key_pk" PRIMARY KEY("person_id","key")
);
--> statement-breakpoint
CREATE TABLE "drill_rounds" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "drill_rounds_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"person_id" text NOT NULL,
	"at" bigint NOT NULL,
	"kind" text NOT NULL,
	"right_n" integer NOT NULL,
	"of_n" integer NOT NULL,
	"parts" jsonb NOT NULL,
	"seconds" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "drill_memories" ADD CONSTRAINT "drill_memories_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drill_rounds" ADD CONSTRAINT "drill_rounds_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "drill_memories_due" ON "drill_memories" USING btree ("person_id","due_at");--> statement-breakpoint
CREATE INDEX "drill_rounds_person" ON "drill_rounds" USING btree ("person_id","at");