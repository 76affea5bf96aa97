ALTER TABLE `set_logs` ADD `layer` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
UPDATE `summaries` SET `stale` = 1;
