CREATE TABLE IF NOT EXISTS `person_away` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`from_on` date NOT NULL,
	`until_on` date NOT NULL,
	`why` varchar(120) NOT NULL,
	CONSTRAINT `person_away_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `person_away_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `person_away_ix` ON `person_away` (`business_id`,`person_id`,`until_on`);--> statement-breakpoint
ALTER TABLE `person` ADD COLUMN IF NOT EXISTS `workdays` json;--> statement-breakpoint
ALTER TABLE `person` ADD COLUMN IF NOT EXISTS `knows` json;--> statement-breakpoint
ALTER TABLE `tank_status` ADD COLUMN IF NOT EXISTS `next_visit` json;
