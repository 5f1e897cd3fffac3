CREATE TABLE `round_change` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`site_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`said` varchar(400) NOT NULL,
	`was` json NOT NULL,
	`made` json NOT NULL,
	`undone_at` datetime(3),
	CONSTRAINT `round_change_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `series_tank` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`series_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	CONSTRAINT `series_tank_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `series_tank_uq` UNIQUE(`series_id`,`tank_id`)
);
--> statement-breakpoint
ALTER TABLE `stop` MODIFY COLUMN `series_id` uuid;--> statement-breakpoint
ALTER TABLE `visit` MODIFY COLUMN `state` enum('planned','open','closed','off') NOT NULL DEFAULT 'planned';--> statement-breakpoint
ALTER TABLE `series` ADD `from_on` date;--> statement-breakpoint
ALTER TABLE `series` ADD `until_on` date;--> statement-breakpoint
ALTER TABLE `series` ADD `spells` json;--> statement-breakpoint
ALTER TABLE `stop` ADD `moved` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `stop` ADD `off` enum('skipped','withdrawn');--> statement-breakpoint
ALTER TABLE `stop` ADD `off_why` varchar(200);--> statement-breakpoint
ALTER TABLE `round_change` ADD CONSTRAINT `round_change_site_fk` FOREIGN KEY (`business_id`,`site_id`) REFERENCES `site`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round_change` ADD CONSTRAINT `round_change_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `series_tank` ADD CONSTRAINT `series_tank_series_fk` FOREIGN KEY (`business_id`,`series_id`) REFERENCES `series`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `series_tank` ADD CONSTRAINT `series_tank_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `round_change_site_ix` ON `round_change` (`business_id`,`site_id`,`at`);--> statement-breakpoint
CREATE INDEX `series_tank_business_ix` ON `series_tank` (`business_id`,`series_id`);--> statement-breakpoint
UPDATE `stop` SET `moved` = true WHERE `on_date` <> `original_on`;