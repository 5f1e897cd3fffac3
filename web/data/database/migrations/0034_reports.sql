CREATE TABLE IF NOT EXISTS `report_run` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`kind` enum('month','quarter','year') NOT NULL,
	`from_on` date NOT NULL,
	`until_on` date NOT NULL,
	`state` enum('making','done','cancelled','failed') NOT NULL,
	`total` int NOT NULL DEFAULT 0,
	`gone` int NOT NULL DEFAULT 0,
	`made` int NOT NULL DEFAULT 0,
	`cancel_asked` boolean NOT NULL DEFAULT false,
	`error` varchar(400),
	`html` mediumtext,
	`pdf` mediumblob,
	`at` datetime(3) NOT NULL,
	`done_at` datetime(3),
	CONSTRAINT `report_run_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `report_run_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply','entry','ring','notice','told','report') NOT NULL;--> statement-breakpoint
ALTER TABLE `letter` MODIFY COLUMN `stop_id` uuid;--> statement-breakpoint
ALTER TABLE `letter` MODIFY COLUMN `pdf` mediumblob;--> statement-breakpoint
ALTER TABLE `animal_event` ADD COLUMN IF NOT EXISTS `remedy` varchar(190) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `mark` mediumblob;--> statement-breakpoint
ALTER TABLE `client` ADD COLUMN IF NOT EXISTS `letter_way` enum('as-firm','by-hand','by-itself') DEFAULT 'as-firm' NOT NULL;--> statement-breakpoint
ALTER TABLE `client` ADD COLUMN IF NOT EXISTS `locale` varchar(20) DEFAULT 'en-GB' NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD COLUMN IF NOT EXISTS `use_agreed_by` varchar(120);--> statement-breakpoint
ALTER TABLE `photo` ADD COLUMN IF NOT EXISTS `use_agreed_on` date;--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `from_on` date;--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `until_on` date;--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `returned_at` datetime(3);--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `report` json;--> statement-breakpoint
CREATE UNIQUE INDEX IF NOT EXISTS `letter_report_uq` ON `letter` (`client_id`,`from_on`,`until_on`,`revision`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `report_run_time_ix` ON `report_run` (`business_id`,`at`);