CREATE TABLE IF NOT EXISTS `day_request` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`stop_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`instead_of` date NOT NULL,
	`wished_on` date,
	`why` varchar(400) NOT NULL DEFAULT '',
	`at` datetime(3) NOT NULL,
	`answer` enum('moved','kept'),
	`answer_text` varchar(400),
	`answered_by` uuid,
	`answered_at` datetime(3),
	CONSTRAINT `day_request_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `day_request_stop_fk` FOREIGN KEY (`business_id`,`stop_id`) REFERENCES `stop`(`business_id`,`id`),
	CONSTRAINT `day_request_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`),
	INDEX `day_request_stop_ix` (`business_id`,`stop_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `owner_day` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`done` json NOT NULL,
	`top_up_l` double,
	`reading_id` uuid,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `owner_day_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `owner_day_uq` UNIQUE(`business_id`,`tank_id`,`on_date`),
	CONSTRAINT `owner_day_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`),
	CONSTRAINT `owner_day_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `proposal` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`what` varchar(120) NOT NULL,
	`why` varchar(400) NOT NULL,
	`if_not` varchar(400) NOT NULL,
	`minutes` int NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`withdrawn_at` datetime(3),
	`answer` enum('agreed','declined'),
	`answered_by` uuid,
	`answered_at` datetime(3),
	`finding_id` uuid,
	CONSTRAINT `proposal_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `proposal_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`),
	CONSTRAINT `proposal_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`),
	INDEX `proposal_tank_ix` (`business_id`,`tank_id`)
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply','entry','ring','notice','told') NOT NULL;
--> statement-breakpoint
ALTER TABLE `finding` ADD COLUMN IF NOT EXISTS `minutes` double;
--> statement-breakpoint
ALTER TABLE `finding` ADD COLUMN IF NOT EXISTS `told_by` uuid;
