CREATE TABLE `film_requests` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`asked_at` text NOT NULL,
	`due_on` text NOT NULL,
	`kinds` text NOT NULL,
	`swings` integer NOT NULL,
	`drill` text,
	`stage` text,
	`club` text,
	`aid` text,
	`why` text NOT NULL,
	`withdrawn_at` text,
	`author` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `film_requests_by_student` ON `film_requests` (`student_id`,`asked_at`);