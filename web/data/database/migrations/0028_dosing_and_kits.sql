CREATE TABLE IF NOT EXISTS `product` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`raises` enum('magnesium','alkalinity','calcium','gh') NOT NULL,
	`reagent` varchar(60),
	`purity_percent` double NOT NULL,
	`strength_l_per_ml` double,
	`most_a_day` double,
	`owner_gives` boolean NOT NULL DEFAULT false,
	`left_amount` double,
	`left_on` date,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `product_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `product_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `product_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `doser` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`tank_id` uuid NOT NULL,
	`product_id` uuid NOT NULL,
	`set_ml_per_day` double NOT NULL,
	`measured_ml` double,
	`scale_ml` double,
	`measured_on` date,
	`left_ml` double,
	`left_on` date,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `doser_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `doser_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `doser_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`),
	CONSTRAINT `doser_product_fk` FOREIGN KEY (`business_id`,`product_id`) REFERENCES `product`(`business_id`,`id`),
	INDEX `doser_tank_ix` (`business_id`,`tank_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `dose` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`visit_id` uuid,
	`product_id` uuid NOT NULL,
	`product` varchar(120) NOT NULL,
	`parameter` enum('magnesium','alkalinity','calcium','gh') NOT NULL,
	`amount` double NOT NULL,
	`unit` enum('g','mL') NOT NULL,
	`rise` double NOT NULL,
	`at` datetime(3) NOT NULL,
	`on_date` date NOT NULL,
	CONSTRAINT `dose_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `dose_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`),
	INDEX `dose_tank_ix` (`business_id`,`tank_id`,`at`),
	INDEX `dose_product_ix` (`business_id`,`product_id`,`on_date`),
	INDEX `dose_visit_ix` (`business_id`,`visit_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `kit` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`parameter` enum('temperature','salinity','ph','alkalinity','gh','calcium','magnesium','ammonia','nitrite','nitrate','phosphate','flow','tds','chlorine','chloramine') NOT NULL,
	`method` varchar(40) NOT NULL,
	`resolution` double,
	`lot` varchar(60) NOT NULL DEFAULT '',
	`opened_on` date,
	`good_days_open` int,
	`expires_on` date,
	`tests_left` int,
	`counted_on` date,
	`calibrated_on` date,
	`calibrate_every_days` int,
	`comparisons` json NOT NULL,
	`reference_half_width` double,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `kit_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `kit_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `kit_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`)
);
--> statement-breakpoint
ALTER TABLE `reading` ADD COLUMN IF NOT EXISTS `item` varchar(60);
--> statement-breakpoint
ALTER TABLE `reading` ADD COLUMN IF NOT EXISTS `kit_id` uuid;
--> statement-breakpoint
ALTER TABLE `reading` ADD COLUMN IF NOT EXISTS `kit_offset` double;
--> statement-breakpoint
ALTER TABLE `reading` ADD COLUMN IF NOT EXISTS `kit_offset_sigma` double;
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `reading_kit_ix` ON `reading` (`business_id`,`kit_id`,`on_date`);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `step_log_step_ix` ON `step_log` (`business_id`,`step`,`on_date`);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `reading_correction` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`reading_id` uuid NOT NULL,
	`visit_id` uuid,
	`person_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`why` varchar(400) NOT NULL,
	`parameter` varchar(24) NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	`entered` varchar(20) NOT NULL,
	`unit` varchar(20) NOT NULL,
	`value` double NOT NULL,
	`now_entered` varchar(20),
	`now_unit` varchar(20),
	`now_value` double,
	CONSTRAINT `reading_correction_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `reading_correction_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`),
	CONSTRAINT `reading_correction_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`),
	INDEX `reading_correction_tank_ix` (`business_id`,`tank_id`,`at`),
	INDEX `reading_correction_visit_ix` (`business_id`,`visit_id`)
);
--> statement-breakpoint
ALTER TABLE `import_file` ADD COLUMN IF NOT EXISTS `sample` json;
--> statement-breakpoint
ALTER TABLE `import_file` ADD COLUMN IF NOT EXISTS `strangers` json;