CREATE TABLE "known_devices" (
	"id" text NOT NULL,
	"person_id" text NOT NULL,
	"seen_at" bigint NOT NULL,
	CONSTRAINT "known_devices_id_person_id_pk" PRIMARY KEY("id","person_id")
);
--> statement-breakpoint
ALTER TABLE "known_devices" ADD CONSTRAINT "known_devices_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;