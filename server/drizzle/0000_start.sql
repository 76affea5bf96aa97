CREATE TABLE `coaches` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`salt` text NOT NULL,
	`digest` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` text PRIMARY KEY NOT NULL,
	`coach_id` text NOT NULL,
	`expires_at` text NOT NULL,
	FOREIGN KEY (`coach_id`) REFERENCES `coaches`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `clips` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`file` text NOT NULL,
	`facts` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `clips_by_student` ON `clips` (`student_id`);--> statement-breakpoint
CREATE TABLE `swings` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`version` integer NOT NULL,
	`recorded_on` text NOT NULL,
	`body` text NOT NULL,
	`from` text NOT NULL,
	`discarded_at` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `swings_by_student` ON `swings` (`student_id`,`recorded_on`);--> statement-breakpoint
CREATE TABLE `checkins` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`at` text NOT NULL,
	`pain` integer NOT NULL,
	`pain_where` text NOT NULL,
	`note` text NOT NULL,
	`felt` integer,
	`clip_ids` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `checkins_by_student` ON `checkins` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `links` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`token_hash` text NOT NULL,
	`created_at` text NOT NULL,
	`expires_at` text NOT NULL,
	`revoked_at` text,
	`last_used_at` text,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `links_token_hash_unique` ON `links` (`token_hash`);--> statement-breakpoint
CREATE TABLE `replies` (
	`id` text PRIMARY KEY NOT NULL,
	`checkin_id` text NOT NULL,
	`text` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`checkin_id`) REFERENCES `checkins`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `replies_checkin_id_unique` ON `replies` (`checkin_id`);--> statement-breakpoint
CREATE TABLE `diagnoses` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`at` text NOT NULL,
	`body` text NOT NULL,
	`chosen` text,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `diagnoses_by_student` ON `diagnoses` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `events` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`at` text NOT NULL,
	`kind` text NOT NULL,
	`detail` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `events_by_student` ON `events` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `holds` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`where_it_hurts` text NOT NULL,
	`at` text NOT NULL,
	`lifted_at` text,
	`lift_note` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `holds_by_student` ON `holds` (`student_id`);--> statement-breakpoint
CREATE TABLE `students` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`profile` text NOT NULL,
	`archived_at` text,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `readings` (
	`swing_id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`recorded_on` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`swing_id`) REFERENCES `swings`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `readings_by_student` ON `readings` (`student_id`,`recorded_on`);--> statement-breakpoint
CREATE TABLE `gate_decisions` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`drill` text NOT NULL,
	`stage` text NOT NULL,
	`decision` text NOT NULL,
	`note` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `gates_by_student` ON `gate_decisions` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `plans` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`at` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `plans_by_student` ON `plans` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `set_logs` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`date` text NOT NULL,
	`drill` text NOT NULL,
	`stage` text NOT NULL,
	`reps` text NOT NULL,
	`felt` integer,
	`from` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `sets_by_student` ON `set_logs` (`student_id`,`at`);--> statement-breakpoint
CREATE TABLE `drill_choices` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`diagnosis_id` text NOT NULL,
	`drills` text NOT NULL,
	`for_fault` text NOT NULL,
	`note` text NOT NULL,
	`at` text NOT NULL,
	`ended_at` text,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`diagnosis_id`) REFERENCES `diagnoses`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `choices_by_student` ON `drill_choices` (`student_id`,`at`);