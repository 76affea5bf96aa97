CREATE TABLE `arrivals` (
	`student_id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `erasures` ADD `left` text;--> statement-breakpoint
ALTER TABLE `erasures` ADD `clean_at` text;--> statement-breakpoint
UPDATE `erasures` SET `clean_at` = `done_at` WHERE `done_at` IS NOT NULL;
