CREATE TABLE `messages` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`text` text NOT NULL,
	`at` text NOT NULL,
	`goes_at` text,
	`author` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `messages_by_student` ON `messages` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `queue_asides` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`at` text NOT NULL,
	`until` text,
	`note` text NOT NULL,
	`undone_at` text,
	`author` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `queue_asides_by_student` ON `queue_asides` (`student_id`,`at`);--> statement-breakpoint
ALTER TABLE `film_requests` ADD `from` text DEFAULT 'coach' NOT NULL;--> statement-breakpoint
ALTER TABLE `film_requests` ADD `because` text;--> statement-breakpoint
ALTER TABLE `mails` ADD `goes_at` text;--> statement-breakpoint
ALTER TABLE `mails` ADD `tries` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `mails` ADD `next_try_at` text;--> statement-breakpoint
ALTER TABLE `mails` ADD `trouble` text;--> statement-breakpoint
ALTER TABLE `mails` ADD `failed_at` text;--> statement-breakpoint
ALTER TABLE `mails` ADD `date` text;--> statement-breakpoint
ALTER TABLE `mails` ADD `stop_hash` text;--> statement-breakpoint
ALTER TABLE `replies` ADD `draft` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `replies` ADD `goes_at` text;--> statement-breakpoint
ALTER TABLE `replies` ADD `along` text;