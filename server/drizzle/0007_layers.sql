ALTER TABLE `drill_choices` ADD `layers` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `drill_choices` ADD `own_task` text DEFAULT '' NOT NULL;