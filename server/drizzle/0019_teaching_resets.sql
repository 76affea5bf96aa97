CREATE TABLE `teaching_resets` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`at` text NOT NULL,
	`undone_at` text,
	`author` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `teaching_resets_by_student` ON `teaching_resets` (`student_id`,`at`);