CREATE TABLE IF NOT EXISTS `calendar_feed` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`kind` enum('person','site') NOT NULL,
	`of_id` uuid NOT NULL,
	`made_by` uuid NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	`read_at` datetime(3),
	CONSTRAINT `calendar_feed_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `calendar_feed_person_fk` FOREIGN KEY (`business_id`,`made_by`) REFERENCES `person`(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `notice` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`client_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`change_id` uuid NOT NULL,
	`kind` enum('moved','correction') NOT NULL,
	`email` varchar(190) NOT NULL,
	`subject` varchar(190) NOT NULL,
	`body` text NOT NULL,
	`accepted_at` datetime(3) NOT NULL,
	`leaves_at` datetime(3) NOT NULL,
	`taken_back_at` datetime(3),
	`sent_at` datetime(3),
	`send_error` varchar(400),
	CONSTRAINT `notice_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `notice_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `quay` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`source_id` uuid NOT NULL,
	`lat` double NOT NULL,
	`lon` double NOT NULL,
	`station` text NOT NULL,
	`pump_l_per_min` double NOT NULL,
	`set_up_minutes` int NOT NULL,
	`above_m` double,
	`within_minutes` int,
	`light_only` boolean NOT NULL DEFAULT true,
	`earliest_hour` double NOT NULL,
	`ready_minutes` int NOT NULL,
	`lowest_psu` double NOT NULL,
	`warmest_c` double NOT NULL,
	`keeps_days` int NOT NULL,
	`permission` varchar(400) NOT NULL DEFAULT '',
	`permitted_until` date,
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `quay_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `quay_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `quay_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`),
	CONSTRAINT `quay_source_fk` FOREIGN KEY (`business_id`,`source_id`) REFERENCES `source`(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `road` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`from_id` uuid NOT NULL,
	`to_id` uuid NOT NULL,
	`listed_minutes` double,
	`learnt_minutes` double,
	`drives` int NOT NULL DEFAULT 0,
	`asked_minutes` double,
	`set_aside` boolean NOT NULL DEFAULT false,
	CONSTRAINT `road_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `road_way_uq` UNIQUE(`business_id`,`from_id`,`to_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `sea_lot` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`quay_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`litres` double NOT NULL,
	`salinity_psu` double,
	`temperature_c` double,
	`notices` enum('none','discharge','bloom','not-looked') NOT NULL,
	`permitted` boolean NOT NULL,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `sea_lot_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `sea_lot_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `sea_lot_quay_fk` FOREIGN KEY (`business_id`,`quay_id`) REFERENCES `quay`(`business_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply','entry','ring','notice') NOT NULL;
--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `holidays` json DEFAULT ('[]') NOT NULL;
--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `map` mediumtext;
--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `weights` json;
--> statement-breakpoint
ALTER TABLE `person` ADD COLUMN IF NOT EXISTS `van_l` double;
--> statement-breakpoint
ALTER TABLE `person` ADD COLUMN IF NOT EXISTS `van_barrels` int;
--> statement-breakpoint
ALTER TABLE `stop` ADD COLUMN IF NOT EXISTS `locked` boolean DEFAULT false NOT NULL;
--> statement-breakpoint
ALTER TABLE `site` ADD COLUMN IF NOT EXISTS `dates` json DEFAULT ('[]') NOT NULL;
--> statement-breakpoint
ALTER TABLE `site` ADD COLUMN IF NOT EXISTS `busy` json DEFAULT ('[]') NOT NULL;
--> statement-breakpoint
ALTER TABLE `site` ADD COLUMN IF NOT EXISTS `holidays` boolean;
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `calendar_feed_of_ix` ON `calendar_feed` (`business_id`,`kind`,`of_id`);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `notice_change_ix` ON `notice` (`business_id`,`change_id`);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `notice_time_ix` ON `notice` (`business_id`,`leaves_at`);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `sea_lot_day_ix` ON `sea_lot` (`business_id`,`quay_id`,`on_date`);
