CREATE TABLE `erasures` (
	`id` text PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	`subject_id` text NOT NULL,
	`asked_at` text NOT NULL,
	`due_at` text NOT NULL,
	`taken_back_at` text,
	`done_at` text,
	`receipt` text
);
--> statement-breakpoint
CREATE TABLE `program_facts` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `mails` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`to_name` text NOT NULL,
	`subject` text NOT NULL,
	`text` text NOT NULL,
	`at` text NOT NULL,
	`made_at` text,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `mails_by_student` ON `mails` (`student_id`);--> statement-breakpoint
CREATE TABLE `writes` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`what` text NOT NULL,
	`author` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `writes_by_student` ON `writes` (`student_id`);--> statement-breakpoint
ALTER TABLE `coaches` ADD `contact` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `id` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `created_at` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `last_used_at` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `device` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `set_logs` ADD `done_at` text;--> statement-breakpoint
UPDATE `sessions` SET `id` = lower(hex(randomblob(16))) WHERE `id` = '';--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `id`, 'student', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `created_at` FROM `students`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'clip', CASE json_extract(`facts`, '$.from') WHEN 'student' THEN 'student:' || `student_id` ELSE 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), '') END, `created_at` FROM `clips`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'swing', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `created_at` FROM `swings`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'shots', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `created_at` FROM `shot_sets`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'diagnosis', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `at` FROM `diagnoses`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'drill_choice', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `at` FROM `drill_choices`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'feel', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `at` FROM `feels`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'plan', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `at` FROM `plans`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'set', CASE `from` WHEN 'student' THEN 'student:' || `student_id` ELSE 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), '') END, `at` FROM `set_logs`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'gate', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), `at` FROM `gate_decisions`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT `id`, `student_id`, 'checkin', 'student:' || `student_id`, `at` FROM `checkins`;--> statement-breakpoint
INSERT OR IGNORE INTO `writes` SELECT r.`id`, c.`student_id`, 'reply', 'coach:' || coalesce((SELECT `id` FROM `coaches` LIMIT 1), ''), r.`at` FROM `replies` r JOIN `checkins` c ON c.`id` = r.`checkin_id`;--> statement-breakpoint
INSERT OR IGNORE INTO `mails` SELECT r.`id`, c.`student_id`, json_extract(s.`profile`, '$.firstName') || ' ' || json_extract(s.`profile`, '$.familyName'), 'About your check-in', r.`text`, r.`at`, r.`at` FROM `replies` r JOIN `checkins` c ON c.`id` = r.`checkin_id` JOIN `students` s ON s.`id` = c.`student_id`;
