CREATE TABLE `band_edits` (
	`preset` text NOT NULL,
	`measure` text NOT NULL,
	`lo` real,
	`hi` real,
	`reason` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`preset`, `measure`)
);
