CREATE TABLE `forecasts` (
	`id` text PRIMARY KEY NOT NULL,
	`student_id` text NOT NULL,
	`measure` text NOT NULL,
	`kind` text NOT NULL,
	`asked_on` text NOT NULL,
	`told_at` text NOT NULL,
	`cell` text NOT NULL,
	`lo` real,
	`hi` real,
	`likely` text NOT NULL,
	`lo80` text NOT NULL,
	`hi80` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `forecasts_once` ON `forecasts` (`student_id`,`measure`,`kind`,`asked_on`);--> statement-breakpoint
-- Summaries say what came of told dates; there are none yet. All are made anew with the first told ones.
UPDATE `summaries` SET `body` = json_set(`body`, '$.forecasts', json('[]'), '$.spreads', json('null')), `stale` = 1;
