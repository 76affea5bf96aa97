CREATE TABLE `net_means` (
	`student_id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
