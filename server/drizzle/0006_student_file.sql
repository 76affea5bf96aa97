CREATE TABLE `summaries` (
	`student_id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`stale` integer NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`student_id`) REFERENCES `students`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `summaries_by_version` ON `summaries` (`version`);--> statement-breakpoint
ALTER TABLE `readings` ADD `swing_version` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `gate_decisions` ADD `undone_at` text;--> statement-breakpoint
ALTER TABLE `set_logs` ADD `device` text;--> statement-breakpoint
CREATE INDEX `swings_by_version` ON `swings` (`discarded_at`,`version`,`id`);--> statement-breakpoint
UPDATE `readings` SET `swing_version` = coalesce(json_extract(`body`, '$.version'), 0);
--> statement-breakpoint
CREATE INDEX `swings_with_track` ON `swings` (json_extract(`body`, '$.track.file')) WHERE json_extract(`body`, '$.track.file') IS NOT NULL;
--> statement-breakpoint
ALTER TABLE `readings` ADD `gist` text DEFAULT '{"measures":[]}' NOT NULL;--> statement-breakpoint
UPDATE `readings` SET `gist` = json_object(
	'speed', json_extract(`body`, '$.speed'), 'club', json_extract(`body`, '$.club'),
	'aid', NULL, 'place', NULL, 'cue', NULL, 'at', json_extract(`body`, '$.at'),
	'measures', (SELECT json_group_array(json_array(
		json_extract(value, '$.id'), round(json_extract(value, '$.value'), 6), round(json_extract(value, '$.sd'), 6),
		json_extract(value, '$.verdict'), json_extract(value, '$.band.unit'), json_extract(value, '$.band.lo'),
		json_extract(value, '$.band.hi'), json_extract(value, '$.band.step')
	)) FROM json_each(`body`, '$.measures')));
