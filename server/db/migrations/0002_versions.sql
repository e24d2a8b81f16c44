CREATE TABLE `versions` (
	`case_id` text NOT NULL,
	`revision` integer NOT NULL,
	`title` text NOT NULL,
	`document` text NOT NULL,
	`kept_at` integer NOT NULL,
	`name` text,
	PRIMARY KEY(`case_id`, `revision`),
	FOREIGN KEY (`case_id`) REFERENCES `cases`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `cases` ADD `tags` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `cases` ADD `family` text;--> statement-breakpoint
CREATE INDEX `cases_family` ON `cases` (`family`);--> statement-breakpoint
INSERT INTO `versions` (`case_id`, `revision`, `title`, `document`, `kept_at`) SELECT `id`, `revision`, `title`, `document`, `updated_at` FROM `cases`;
--> statement-breakpoint
-- A state is kept with the very write that makes it; of a large case at most one a minute.
CREATE TRIGGER `versions_first` AFTER INSERT ON `cases` BEGIN
	INSERT OR IGNORE INTO `versions` (`case_id`, `revision`, `title`, `document`, `kept_at`)
	VALUES (new.`id`, new.`revision`, new.`title`, new.`document`, new.`updated_at`);
END;
--> statement-breakpoint
CREATE TRIGGER `versions_next` AFTER UPDATE OF `document` ON `cases`
WHEN length(new.`document`) < 200000
	OR NOT EXISTS (SELECT 1 FROM `versions` v WHERE v.`case_id` = new.`id` AND v.`kept_at` > new.`updated_at` - 60000)
BEGIN
	INSERT OR IGNORE INTO `versions` (`case_id`, `revision`, `title`, `document`, `kept_at`)
	VALUES (new.`id`, new.`revision`, new.`title`, new.`document`, new.`updated_at`);
END;
--> statement-breakpoint
-- The words that cases are found by; a row has the number of its case's row.
CREATE VIRTUAL TABLE `case_words` USING fts5(`id` UNINDEXED, `title`, `story`, `findings`, tokenize = "unicode61 remove_diacritics 2", prefix = '2 3');
--> statement-breakpoint
INSERT INTO `case_words` (rowid, `id`, `title`, `story`, `findings`)
SELECT rowid, `id`, `title`, coalesce(json_extract(`document`, '$.story.text'), ''), coalesce(json_extract(`summary`, '$.says'), '') FROM `cases`;
--> statement-breakpoint
CREATE TRIGGER `words_first` AFTER INSERT ON `cases` BEGIN
	INSERT INTO `case_words` (rowid, `id`, `title`, `story`, `findings`) VALUES (
		new.rowid, new.`id`, new.`title`, coalesce(json_extract(new.`document`, '$.story.text'), ''),
		coalesce(json_extract(new.`summary`, '$.words'), json_extract(new.`summary`, '$.says'), '')
	);
END;
--> statement-breakpoint
CREATE TRIGGER `words_next` AFTER UPDATE OF `document`, `summary` ON `cases` BEGIN
	UPDATE `case_words` SET
		`title` = new.`title`,
		`story` = coalesce(json_extract(new.`document`, '$.story.text'), ''),
		`findings` = coalesce(json_extract(new.`summary`, '$.words'), json_extract(new.`summary`, '$.says'), '')
	WHERE rowid = old.rowid;
END;
--> statement-breakpoint
CREATE TRIGGER `words_gone` AFTER DELETE ON `cases` BEGIN
	DELETE FROM `case_words` WHERE rowid = old.rowid;
END;
