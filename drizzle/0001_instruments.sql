CREATE TABLE "instrument" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"tuning" text NOT NULL,
	"frets" integer NOT NULL,
	"scale_length_mm" integer NOT NULL,
	"left_handed" boolean NOT NULL,
	"labels" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "instrument_version" CHECK ("instrument"."version" > 0),
	CONSTRAINT "instrument_frets" CHECK ("instrument"."frets" between 12 and 24),
	CONSTRAINT "instrument_length" CHECK ("instrument"."scale_length_mm" between 300 and 1000)
);
--> statement-breakpoint
CREATE TABLE "player" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"hand_mm" integer NOT NULL,
	"scales" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "player_one" CHECK ("player"."id" = 1),
	CONSTRAINT "player_version" CHECK ("player"."version" > 0),
	CONSTRAINT "player_hand" CHECK ("player"."hand_mm" between 60 and 180)
);
