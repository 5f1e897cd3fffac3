CREATE TABLE `access_look` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`site_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `access_look_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `animal` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`count` int NOT NULL,
	`hazard` enum('sting','spine','bite','toxin'),
	`since` date,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`position` int NOT NULL DEFAULT 0,
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `animal_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `animal_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `animal_event` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`animal_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`kind` enum('added','born','lost','moved-out','counted') NOT NULL,
	`number` int NOT NULL,
	`count_after` int NOT NULL,
	`cause` varchar(190) NOT NULL DEFAULT '',
	`at` datetime(3) NOT NULL,
	CONSTRAINT `animal_event_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `equipment` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` varchar(24) NOT NULL,
	`installed_on` date NOT NULL,
	`hours_per_day` double,
	`service_every_days` int,
	`last_serviced_on` date,
	`replace_after_days` int,
	`replace_after_hours` int,
	`watts` double,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `equipment_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `equipment_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
ALTER TABLE `client` ADD `phone` varchar(40) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `client` ADD `letters_by` enum('mail-pdf','mail-link','none') DEFAULT 'mail-pdf' NOT NULL;--> statement-breakpoint
ALTER TABLE `client` ADD `notes` text DEFAULT ('') NOT NULL;--> statement-breakpoint
ALTER TABLE `client` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `client` ADD `archived_at` datetime(3);--> statement-breakpoint
ALTER TABLE `desk_change` ADD `batch_id` uuid NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `ask_for` varchar(120) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `parking` varchar(190) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `stairs` int;--> statement-breakpoint
ALTER TABLE `site` ADD `pets` varchar(190) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `drain_distance_m` double;--> statement-breakpoint
ALTER TABLE `site` ADD `drain_drop_m` double;--> statement-breakpoint
ALTER TABLE `site` ADD `tap_distance_m` double;--> statement-breakpoint
ALTER TABLE `site` ADD `hot_water` boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `floors` varchar(190) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `access_codes` varchar(1000);--> statement-breakpoint
ALTER TABLE `site` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `site` ADD `archived_at` datetime(3);--> statement-breakpoint
ALTER TABLE `access_look` ADD CONSTRAINT `access_look_site_fk` FOREIGN KEY (`business_id`,`site_id`) REFERENCES `site`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `animal` ADD CONSTRAINT `animal_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `animal_event` ADD CONSTRAINT `animal_event_animal_fk` FOREIGN KEY (`business_id`,`animal_id`) REFERENCES `animal`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `equipment` ADD CONSTRAINT `equipment_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `access_look_site_ix` ON `access_look` (`business_id`,`site_id`,`at`);--> statement-breakpoint
CREATE INDEX `animal_tank_ix` ON `animal` (`business_id`,`tank_id`);--> statement-breakpoint
CREATE INDEX `animal_event_ix` ON `animal_event` (`business_id`,`animal_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `equipment_tank_ix` ON `equipment` (`business_id`,`tank_id`);--> statement-breakpoint
CREATE INDEX `desk_change_batch_ix` ON `desk_change` (`business_id`,`batch_id`);--> statement-breakpoint
CREATE INDEX `desk_change_time_ix` ON `desk_change` (`business_id`,`at`);--> statement-breakpoint
UPDATE `desk_change` SET `batch_id` = `id`;--> statement-breakpoint
INSERT INTO `animal` (`id`, `business_id`, `tank_id`, `name`, `count`, `hazard`, `position`)
SELECT uuid(), t.`business_id`, t.`id`, j.`name`, j.`count`, j.`hazard`, j.`position`
FROM `tank` t, JSON_TABLE(t.`facts`, '$.animals[*]' COLUMNS (
	`position` FOR ORDINALITY,
	`name` varchar(120) PATH '$.name',
	`count` int PATH '$.count',
	`hazard` varchar(10) PATH '$.hazard'
)) j;--> statement-breakpoint
UPDATE `tank` SET `facts` = JSON_REMOVE(`facts`, '$.animals') WHERE JSON_EXISTS(`facts`, '$.animals');
