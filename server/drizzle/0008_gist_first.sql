-- The gist stands before the document: what lies behind a long text is only reached by walking over it.
CREATE TABLE `readings_new` (
	`swing_id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`recorded_on` text NOT NULL,
	`swing_version` integer DEFAULT 0 NOT NULL,
	`gist` text DEFAULT '{"measures":[]}' NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`swing_id`) REFERENCES `swings`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `readings_new` (`swing_id`, `student_id`, `recorded_on`, `swing_version`, `gist`, `body`)
	SELECT `swing_id`, `student_id`, `recorded_on`, `swing_version`, `gist`, `body` FROM `readings` ORDER BY `rowid`;--> statement-breakpoint
DROP TABLE `readings`;--> statement-breakpoint
ALTER TABLE `readings_new` RENAME TO `readings`;--> statement-breakpoint
CREATE INDEX `readings_by_student` ON `readings` (`student_id`,`recorded_on`);
