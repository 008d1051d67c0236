CREATE TABLE "passphrase" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"salt" text NOT NULL,
	"hash" text NOT NULL,
	CONSTRAINT "passphrase_one" CHECK ("passphrase"."id" = 1)
);
--> statement-breakpoint
CREATE TABLE "session" (
	"hash" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "trash" (
	"kind" text NOT NULL,
	"id" uuid NOT NULL,
	"rows" jsonb NOT NULL,
	"deleted_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "trash_kind_id_pk" PRIMARY KEY("kind","id")
);
--> statement-breakpoint
CREATE INDEX "session_expires" ON "session" USING btree ("expires_at");--> statement-breakpoint
CREATE INDEX "trash_deleted" ON "trash" USING btree ("deleted_at");