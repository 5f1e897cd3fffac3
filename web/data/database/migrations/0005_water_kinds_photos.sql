CREATE TABLE `photo` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`at` datetime(3) NOT NULL,
	`note` varchar(190) NOT NULL DEFAULT '',
	`width` int NOT NULL,
	`height` int NOT NULL,
	`bytes` int NOT NULL,
	`sha256` varchar(64) NOT NULL,
	`archived_at` datetime(3),
	CONSTRAINT `photo_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `tank_kind` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`code` varchar(40) NOT NULL,
	`name` varchar(120) NOT NULL,
	`facts` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `tank_kind_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `tank_kind_code_uq` UNIQUE(`business_id`,`code`)
);
--> statement-breakpoint
CREATE TABLE `archive_import` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`settings_before` json NOT NULL,
	`counts` json NOT NULL,
	`undone_at` datetime(3),
	CONSTRAINT `archive_import_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `barrel` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`capacity_l` double NOT NULL,
	`heater_w` double,
	`loss_w_per_k` double,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`contents` json,
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `barrel_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `barrel_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `client` ADD `contacts` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `equipment` ADD `meter_hours` double;--> statement-breakpoint
ALTER TABLE `equipment` ADD `meter_on` date;--> statement-breakpoint
ALTER TABLE `source` ADD `site_id` uuid;--> statement-breakpoint
ALTER TABLE `source` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `source` ADD `archived_at` datetime(3);--> statement-breakpoint
ALTER TABLE `photo` ADD CONSTRAINT `photo_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photo` ADD CONSTRAINT `photo_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tank_kind` ADD CONSTRAINT `tank_kind_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `archive_import` ADD CONSTRAINT `archive_import_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `barrel` ADD CONSTRAINT `barrel_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `photo_tank_ix` ON `photo` (`business_id`,`tank_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `archive_import_time_ix` ON `archive_import` (`business_id`,`at`);--> statement-breakpoint
ALTER TABLE `source` ADD CONSTRAINT `source_site_fk` FOREIGN KEY (`business_id`,`site_id`) REFERENCES `site`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;