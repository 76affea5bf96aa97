CREATE TABLE `lessons` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`day` text NOT NULL,
	`time` text,
	`minutes` integer NOT NULL,
	`mode` text NOT NULL,
	`place` text NOT NULL,
	`started_at` text,
	`ended_at` text,
	`cancelled_at` text,
	`draft` text,
	`summary` text,
	`sent_at` text,
	`author` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `lessons_by_student` ON `lessons` (`student_id`,`day`);--> statement-breakpoint
CREATE TABLE `lesson_notes` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`lesson_id` text NOT NULL,
	`at` text NOT NULL,
	`tag` text NOT NULL,
	`text` text NOT NULL,
	`swing_id` text,
	`measure` text,
	`felt` real,
	`undone_at` text,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `notes_by_student` ON `lesson_notes` (`student_id`,`at`);--> statement-breakpoint
ALTER TABLE `events` ADD `lesson_id` text;--> statement-breakpoint
ALTER TABLE `set_logs` ADD `lesson_id` text;--> statement-breakpoint
INSERT INTO `lessons` (`id`, `student_id`, `day`, `minutes`, `mode`, `place`, `author`)
  SELECT lower(substr(h, 1, 8) || '-' || substr(h, 9, 4) || '-4' || substr(h, 14, 3) || '-a' || substr(h, 18, 3) || '-' || substr(h, 21, 12)),
    `student_id`, `day`, 60, 'in_person', '', 'the program'
  FROM (SELECT hex(randomblob(16)) AS h, `id` AS `student_id`, json_extract(`profile`, '$.nextLesson') AS `day` FROM `students`)
  WHERE `day` IS NOT NULL;--> statement-breakpoint
UPDATE `summaries` SET `stale` = 1;
