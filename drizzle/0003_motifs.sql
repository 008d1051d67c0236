CREATE TABLE "motif" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"motif" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "motif_version" CHECK ("motif"."version" > 0)
);
--> statement-breakpoint
ALTER TABLE "route" ALTER COLUMN "line" SET DEFAULT '{"grid":"targets","scalePlan":"one","cell":"steady","cells":[],"anticipate":false,"spice":0.4,"seed":0,"direction":null,"roam":null,"talk":[],"places":[]}'::jsonb;--> statement-breakpoint
CREATE INDEX "motif_created" ON "motif" USING btree ("created_at");--> statement-breakpoint
INSERT INTO "motif" ("id", "name", "motif", "created_at") VALUES
	('6d6f7469-6600-4000-8000-000000000001', 'Gangway', '{"basis":"role","notes":[{"offsetTicks":240,"durationTicks":240,"step":"5"},{"offsetTicks":480,"durationTicks":240,"step":"R"},{"offsetTicks":720,"durationTicks":240,"step":"9"},{"offsetTicks":960,"durationTicks":240,"step":"3"},{"offsetTicks":1440,"durationTicks":480,"step":"5"}]}'::jsonb, now() + interval '0 milliseconds'),
	('6d6f7469-6600-4000-8000-000000000002', 'Two Knocks', '{"basis":"role","notes":[{"offsetTicks":0,"durationTicks":240,"step":"3"},{"offsetTicks":240,"durationTicks":240,"step":"3"},{"offsetTicks":1200,"durationTicks":240,"step":"5"},{"offsetTicks":1440,"durationTicks":480,"step":"R"}]}'::jsonb, now() + interval '1 milliseconds'),
	('6d6f7469-6600-4000-8000-000000000003', 'Low Step', '{"basis":"role","notes":[{"offsetTicks":0,"durationTicks":480,"step":"5"},{"offsetTicks":480,"durationTicks":240,"step":"6"},{"offsetTicks":720,"durationTicks":240,"step":"R"},{"offsetTicks":960,"durationTicks":720,"step":"3"}]}'::jsonb, now() + interval '2 milliseconds'),
	('6d6f7469-6600-4000-8000-000000000004', 'Heron', '{"basis":"role","notes":[{"offsetTicks":480,"durationTicks":240,"step":"5"},{"offsetTicks":720,"durationTicks":720,"step":"3"},{"offsetTicks":1440,"durationTicks":480,"step":"9"}]}'::jsonb, now() + interval '3 milliseconds'),
	('6d6f7469-6600-4000-8000-000000000005', 'Rope Coil', '{"basis":"role","notes":[{"offsetTicks":0,"durationTicks":240,"step":"R"},{"offsetTicks":240,"durationTicks":240,"step":"9"},{"offsetTicks":480,"durationTicks":240,"step":"3"},{"offsetTicks":720,"durationTicks":240,"step":"R"},{"offsetTicks":960,"durationTicks":240,"step":"9"},{"offsetTicks":1200,"durationTicks":240,"step":"3"},{"offsetTicks":1440,"durationTicks":480,"step":"5"}]}'::jsonb, now() + interval '4 milliseconds'),
	('6d6f7469-6600-4000-8000-000000000006', 'Lamp On', '{"basis":"role","notes":[{"offsetTicks":720,"durationTicks":240,"step":"3"},{"offsetTicks":960,"durationTicks":240,"step":"5"},{"offsetTicks":1200,"durationTicks":240,"step":"6"},{"offsetTicks":1440,"durationTicks":480,"step":"R"}]}'::jsonb, now() + interval '5 milliseconds');
