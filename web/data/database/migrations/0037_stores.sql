CREATE TABLE IF NOT EXISTS `store_item` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` enum('salt','minerals','conditioner','dosing','remedy','tests','media','food','cartridge','spare','other') NOT NULL,
	`unit` enum('g','mL','pieces','tests','drops','tablets') NOT NULL,
	`pack_amount` double,
	`minimum` double,
	`per_use` double NOT NULL DEFAULT 1,
	`supplier` varchar(120) NOT NULL DEFAULT '',
	`supplier_email` varchar(190) NOT NULL DEFAULT '',
	`lead_days` int NOT NULL DEFAULT 7,
	`shelf` varchar(60) NOT NULL DEFAULT '',
	`instead` varchar(190) NOT NULL DEFAULT '',
	`known_as` json NOT NULL,
	`notes` varchar(400) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `store_item_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `store_item_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `store_item_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `store_move` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`item_id` uuid NOT NULL,
	`kind` enum('delivered','used','counted','moved','thrown') NOT NULL,
	`place` uuid,
	`amount` double NOT NULL,
	`planned` double,
	`at` datetime(3) NOT NULL,
	`on_date` date NOT NULL,
	`cause` varchar(120) NOT NULL DEFAULT '',
	`visit_id` uuid,
	`person_id` uuid,
	`lot` varchar(60) NOT NULL DEFAULT '',
	`expires_on` date,
	`note` varchar(190) NOT NULL DEFAULT '',
	`pair_id` uuid,
	`taken_back_at` datetime(3),
	`taken_back_by` uuid,
	CONSTRAINT `store_move_id_pk` PRIMARY KEY(`id`),
	INDEX `store_move_item_ix` (`business_id`,`item_id`,`place`,`at`),
	INDEX `store_move_cause_ix` (`business_id`,`cause`),
	INDEX `store_move_visit_ix` (`business_id`,`visit_id`),
	CONSTRAINT `store_move_item_fk` FOREIGN KEY (`business_id`,`item_id`) REFERENCES `store_item`(`business_id`,`id`) ON DELETE no action ON UPDATE no action,
	CONSTRAINT `store_move_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `store_order` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`supplier` varchar(120) NOT NULL,
	`email` varchar(190) NOT NULL DEFAULT '',
	`lines` json NOT NULL,
	`ordered_at` datetime(3) NOT NULL,
	`ordered_by` uuid NOT NULL,
	`sent_at` datetime(3),
	`send_error` varchar(400),
	`came_at` datetime(3),
	`cancelled_at` datetime(3),
	CONSTRAINT `store_order_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `store_order_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `store_order_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action,
	CONSTRAINT `store_order_person_fk` FOREIGN KEY (`business_id`,`ordered_by`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply','entry','ring','notice','told','report','order') NOT NULL;
