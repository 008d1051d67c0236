ALTER TABLE "tune" ADD COLUMN "bar_ticks" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tune" ADD COLUMN "opening" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tune" ADD COLUMN "sounds" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "tune" ADD COLUMN "places" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tune" ADD COLUMN "written" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tune" ADD COLUMN "reading" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX "take_noted" ON "take" USING btree ("tune_id") WHERE "take"."note" <> '';