CREATE TABLE "route" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"tune_id" uuid NOT NULL,
	"name" text NOT NULL,
	"position" integer NOT NULL,
	"style" text NOT NULL,
	"anchors" jsonb NOT NULL,
	"plan" jsonb NOT NULL,
	"landed" integer NOT NULL,
	"changes" integer NOT NULL,
	"tune_version" integer NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "route_version" CHECK ("route"."version" > 0),
	CONSTRAINT "route_position" CHECK ("route"."position" between 1 and 24),
	CONSTRAINT "route_style" CHECK ("route"."style" in ('nearest', 'roots', 'guide-tones'))
);
--> statement-breakpoint
CREATE TABLE "set_item" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"set_id" uuid NOT NULL,
	"tune_id" uuid NOT NULL,
	"place" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "set_list" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tune" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"title" text NOT NULL,
	"chart" text NOT NULL,
	"key" text NOT NULL,
	"tempo" real NOT NULL,
	"feel" text NOT NULL,
	"bars" integer NOT NULL,
	"deleted_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "tune_version" CHECK ("tune"."version" > 0),
	CONSTRAINT "tune_tempo" CHECK ("tune"."tempo" between 30 and 300)
);
--> statement-breakpoint
ALTER TABLE "route" ADD CONSTRAINT "route_tune_id_tune_id_fk" FOREIGN KEY ("tune_id") REFERENCES "public"."tune"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_item" ADD CONSTRAINT "set_item_set_id_set_list_id_fk" FOREIGN KEY ("set_id") REFERENCES "public"."set_list"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_item" ADD CONSTRAINT "set_item_tune_id_tune_id_fk" FOREIGN KEY ("tune_id") REFERENCES "public"."tune"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "route_tune" ON "route" USING btree ("tune_id","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "set_item_place" ON "set_item" USING btree ("set_id","place");--> statement-breakpoint
CREATE INDEX "set_item_tune" ON "set_item" USING btree ("tune_id");--> statement-breakpoint
CREATE INDEX "tune_created" ON "tune" USING btree ("created_at");