CREATE TABLE `enclosures` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`checkin_id` text NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`file` text NOT NULL,
	`bytes` integer NOT NULL,
	`seconds` real,
	`clip_ids` text NOT NULL,
	`talk` text,
	`at` text NOT NULL,
	`dropped_at` text,
	`author` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`checkin_id`) REFERENCES `checkins`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `enclosures_by_student` ON `enclosures` (`student_id`,`at`);--> statement-breakpoint
CREATE INDEX `enclosures_by_dropped` ON `enclosures` (`dropped_at`);--> statement-breakpoint
CREATE INDEX `checkins_by_time` ON `checkins` (`at`);