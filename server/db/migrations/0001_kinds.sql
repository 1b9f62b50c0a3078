ALTER TABLE "practices" ADD COLUMN "amendments" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "light" jsonb DEFAULT '{"irradianceMWPerCm2":1000,"readOn":"2026-01-01"}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "practices" ADD COLUMN "laboratory_days" integer DEFAULT 10 NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "facts" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "reopened" jsonb;