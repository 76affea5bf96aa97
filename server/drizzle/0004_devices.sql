CREATE TABLE `column_matches` (
	`headings` text PRIMARY KEY NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `pressures` (
	`swing_id` text PRIMARY KEY NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`swing_id`) REFERENCES `swings`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `shot_sets` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`swing_id` text,
	`recorded_on` text NOT NULL,
	`file_name` text NOT NULL,
	`shots` text NOT NULL,
	`discarded_at` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`swing_id`) REFERENCES `swings`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `shots_by_student` ON `shot_sets` (`student_id`,`recorded_on`);