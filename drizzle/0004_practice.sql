CREATE TABLE "card" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"tune_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"key" text NOT NULL,
	"due" timestamp with time zone NOT NULL,
	"drill" jsonb NOT NULL,
	"tempo" real NOT NULL,
	"clean_in_row" integer NOT NULL,
	"schedule" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "card_position" CHECK ("card"."position" between 1 and 24),
	CONSTRAINT "card_tempo" CHECK ("card"."tempo" between 30 and 300)
);
--> statement-breakpoint
CREATE TABLE "take" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"tune_id" uuid NOT NULL,
	"card_id" uuid NOT NULL,
	"played_at" timestamp with time zone NOT NULL,
	"position" integer NOT NULL,
	"key" text NOT NULL,
	"tempo" real NOT NULL,
	"input" text NOT NULL,
	"rule" text NOT NULL,
	"drill" jsonb NOT NULL,
	"looped" boolean NOT NULL,
	"landed" integer NOT NULL,
	"asked" integer NOT NULL,
	"clean" boolean NOT NULL,
	"grade" text,
	"bias_ms" real,
	"spread_ms" real,
	"duration_ms" integer NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"chart" text NOT NULL,
	"events" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "take_counts" CHECK ("take"."landed" between 0 and "take"."asked"),
	CONSTRAINT "take_tempo" CHECK ("take"."tempo" between 30 and 300)
);
--> statement-breakpoint
CREATE TABLE "take_change" (
	"take_id" uuid NOT NULL,
	"loop" integer NOT NULL,
	"change" integer NOT NULL,
	"tune_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"key" text NOT NULL,
	"kind" text NOT NULL,
	"symbol" text NOT NULL,
	"bar" integer NOT NULL,
	"result" text NOT NULL,
	"role" text,
	"error_ms" real,
	CONSTRAINT "take_change_take_id_loop_change_pk" PRIMARY KEY("take_id","loop","change"),
	CONSTRAINT "take_change_result" CHECK ("take_change"."result" in ('landed', 'held', 'early', 'late', 'missed', 'silent'))
);
--> statement-breakpoint
ALTER TABLE "route" ALTER COLUMN "line" SET DEFAULT '{"grid":"targets","scalePlan":"one","cell":"steady","cells":[],"anticipate":false,"spice":0.4,"seed":0,"direction":null,"roam":null,"slide":0,"block":false,"talk":[],"places":[]}'::jsonb;--> statement-breakpoint
ALTER TABLE "card" ADD CONSTRAINT "card_tune_id_tune_id_fk" FOREIGN KEY ("tune_id") REFERENCES "public"."tune"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "take" ADD CONSTRAINT "take_tune_id_tune_id_fk" FOREIGN KEY ("tune_id") REFERENCES "public"."tune"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "take" ADD CONSTRAINT "take_card_id_card_id_fk" FOREIGN KEY ("card_id") REFERENCES "public"."card"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "take_change" ADD CONSTRAINT "take_change_take_id_take_id_fk" FOREIGN KEY ("take_id") REFERENCES "public"."take"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "card_what" ON "card" USING btree ("tune_id","position","key");--> statement-breakpoint
CREATE INDEX "card_due" ON "card" USING btree ("due");--> statement-breakpoint
CREATE INDEX "take_played" ON "take" USING btree ("played_at");--> statement-breakpoint
CREATE INDEX "take_card" ON "take" USING btree ("card_id","played_at");--> statement-breakpoint
CREATE INDEX "take_place" ON "take" USING btree ("tune_id","position");--> statement-breakpoint
CREATE INDEX "take_change_place" ON "take_change" USING btree ("position","kind","result");