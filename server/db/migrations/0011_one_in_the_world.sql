-- What was there twice before it was held apart is made one first. A lot of an item: what is left of both, the earlier end.
INSERT INTO "lot_uses" ("visit_id", "lot_id", "amount", "at")
SELECT u."visit_id", s."kept", sum(u."amount"), max(u."at") FROM "lot_uses" u
JOIN (SELECT "id", min("id") OVER (PARTITION BY "item_id", "number") AS "kept" FROM "lots") s ON s."id" = u."lot_id"
WHERE s."id" <> s."kept" GROUP BY u."visit_id", s."kept"
ON CONFLICT ("visit_id", "lot_id") DO UPDATE SET "amount" = "lot_uses"."amount" + excluded."amount";--> statement-breakpoint
DELETE FROM "lot_uses" u USING (SELECT "id", min("id") OVER (PARTITION BY "item_id", "number") AS "kept" FROM "lots") s
WHERE s."id" = u."lot_id" AND s."id" <> s."kept";--> statement-breakpoint
UPDATE "lots" l SET "left" = s."left", "expires" = s."expires", "opened" = s."opened"
FROM (SELECT min("id") AS "kept", sum("left") AS "left", min("expires") AS "expires", bool_or("opened") AS "opened"
  FROM "lots" GROUP BY "item_id", "number" HAVING count(*) > 1) s
WHERE s."kept" = l."id";--> statement-breakpoint
DELETE FROM "lots" l USING (SELECT "id", min("id") OVER (PARTITION BY "item_id", "number") AS "kept" FROM "lots") s
WHERE s."id" = l."id" AND s."id" <> s."kept";--> statement-breakpoint
-- Loads of one steriliser that ran at once: all but the last have ended, without a log, so that nobody lets them out unseen.
UPDATE "loads" l SET "ended_at" = l."started_at" WHERE l."ended_at" IS NULL AND EXISTS (
  SELECT 1 FROM "loads" o WHERE o."steriliser_id" = l."steriliser_id" AND o."ended_at" IS NULL
  AND (o."started_at", o."id") > (l."started_at", l."id"));--> statement-breakpoint
-- A cassette at two trays: it stays on the record of both, and lies at the one it was laid up for last.
UPDATE "cassette_uses" u SET "used_at" = u."at" WHERE u."used_at" IS NULL AND EXISTS (
  SELECT 1 FROM "cassette_uses" o WHERE o."cassette_id" = u."cassette_id" AND o."used_at" IS NULL
  AND (o."at", o."visit_id") > (u."at", u."visit_id"));--> statement-breakpoint
CREATE UNIQUE INDEX "cassettes_laid_up" ON "cassette_uses" USING btree ("cassette_id") WHERE used_at is null;--> statement-breakpoint
CREATE UNIQUE INDEX "loads_running" ON "loads" USING btree ("steriliser_id") WHERE ended_at is null;--> statement-breakpoint
CREATE UNIQUE INDEX "lots_of_item" ON "lots" USING btree ("item_id","number");
