ALTER TABLE "card" ADD COLUMN "resting" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "take" ADD COLUMN "pass" jsonb;