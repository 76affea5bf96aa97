CREATE TABLE `feels` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`measure` text NOT NULL,
	`felt` real NOT NULL,
	`measured` real NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `feels_by_student` ON `feels` (`student_id`);--> statement-breakpoint
CREATE TABLE `own_drills` (
	`id` text PRIMARY KEY NOT NULL,
	`document` text NOT NULL,
	`at` text NOT NULL
);
